import { once } from 'node:events';
import { createServer, type IncomingMessage, request } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, expect, it, vi } from 'vitest';
import { Refusal } from '@/core/calls';
import { noteFault } from './faults';
import { errorFields, log } from './log';
import { mayWatch } from './metrics';
import { withoutMessages } from './quiet';

afterEach(() => vi.unstubAllEnvs());

it('tells of an error what it is and where, not what it says, since that may quote what was typed', () => {
  const problem = Object.assign(new TypeError('invalid input: "Marit, born\n at the sea"'), {
    code: '22P02',
  });
  const fields = errorFields(problem);
  expect(fields).toMatchObject({ error: 'TypeError', code: '22P02' });
  expect(JSON.stringify(fields)).toContain('watch.test.ts');
  expect(JSON.stringify(fields)).not.toContain('Marit');
  expect(errorFields('Marit')).toEqual({ error: 'string' });
  expect(
    errorFields(Object.assign(new Error('x'), { code: 'a code with Marit in it' })),
  ).not.toHaveProperty('code');
});

it('says errors that others print without their messages, and leaves the rest as it is', () => {
  const [said, told]: [unknown[][], Record<string, unknown>[]] = [[], []];
  const say = withoutMessages(
    (...what) => said.push(what),
    (fields) => told.push(fields),
  );
  say('ready', 1);
  say('⨯', new TypeError('invalid input: "Marit"'), { digest: '1' });
  say('⨯', new Refusal('not-found', 'class'));
  expect(said).toEqual([['ready', 1]]);
  expect(told).toMatchObject([{ error: 'TypeError' }]);
  expect(JSON.stringify([said, told])).not.toContain('Marit');
});

it('tells nothing of somebody who breaks off while they send, and of a lost database as ever', async () => {
  const told: unknown[] = [];
  const logged = vi.spyOn(log(), 'error').mockImplementation((fields) => void told.push(fields));
  const say = withoutMessages(() => {});
  const tell = (error: unknown) => {
    noteFault(error, { route: '/api/follow/speech', in: 'route' });
    say(error);
  };
  tell(await brokenOff());
  expect(told).toEqual([]);
  tell(Object.assign(new Error('read ECONNRESET'), { code: 'ECONNRESET' }));
  expect(told).toHaveLength(2);
  logged.mockRestore();
});

/** What a server is told of a request of which no more comes. */
async function brokenOff(): Promise<unknown> {
  const server = createServer();
  const port = await new Promise<number>((resolve) => {
    server.listen(0, '127.0.0.1', () => resolve((server.address() as AddressInfo).port));
  });
  const came = once(server, 'request');
  const asked = request({ port, method: 'POST', headers: { 'content-length': '1000' } });
  asked.on('error', () => {});
  asked.write('{');
  const [sent] = (await came) as [IncomingMessage];
  const problem = sent.forEach(() => {}).catch((error: unknown) => error);
  asked.destroy();
  const error = await problem;
  server.close();
  return error;
}

it('lets nobody read the numbers without the token, nor anybody where none is configured', () => {
  expect(mayWatch('Bearer abc', 'abc')).toBe(true);
  for (const [header, token] of [
    ['Bearer abc', undefined],
    ['Bearer ', ''],
    ['Bearer ab', 'abc'],
    ['abc', 'abc'],
    [null, 'abc'],
  ] as const) {
    expect(mayWatch(header, token)).toBe(false);
  }
});
