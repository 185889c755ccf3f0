import { afterEach, expect, it, vi } from 'vitest';
import { Refusal } from '@/core/calls';
import { errorFields } from './log';
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
