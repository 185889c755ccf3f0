import { afterEach, describe, expect, it, vi } from 'vitest';
import { z } from 'zod';
import { call, Refused, Unreachable } from './api';

afterEach(() => vi.unstubAllGlobals());

const answers = (body: string, status = 200) =>
  vi.stubGlobal('fetch', async () => new Response(body, { status }));
const ask = () => call('POST', '/api/x', { a: 1 }, z.object({ n: z.number() }));

describe('calling the server', () => {
  it('reads the answer through its schema', async () => {
    answers('{"n": 3}');
    expect(await ask()).toEqual({ n: 3 });
    answers('{"n": "three"}');
    await expect(ask()).rejects.toThrow(z.ZodError);
  });

  it('hands on what the server says when it refuses', async () => {
    answers('{"message": "Take it out there first."}', 409);
    const refused = await ask().catch((error: unknown) => error);
    expect(refused).toBeInstanceOf(Refused);
    expect(refused).toMatchObject({ status: 409, message: 'Take it out there first.' });
  });

  it('says the number where the server gave no reason', async () => {
    answers('<html>oh</html>', 500);
    await expect(ask()).rejects.toThrow('The server answered 500.');
  });

  it.each([502, 503, 504])('takes %i as nobody answering', async (status) => {
    answers('bad gateway', status);
    await expect(ask()).rejects.toThrow(Unreachable);
  });

  it('takes a broken connection as nobody answering', async () => {
    vi.stubGlobal('fetch', async () => {
      throw new TypeError('failed to fetch');
    });
    await expect(ask()).rejects.toThrow(Unreachable);
  });
});
