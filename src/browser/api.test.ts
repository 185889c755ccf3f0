import { afterEach, describe, expect, it, vi } from 'vitest';
import { z } from 'zod';
import { CALLS } from '@/core/calls';
import { ask, isExpected, Refused, toldOf, Unreachable } from './api';

afterEach(() => vi.unstubAllGlobals());

const answers = (body: string, status = 200) => {
  const fetched = vi.fn(async (_url: string, _init: RequestInit) => new Response(body, { status }));
  vi.stubGlobal('fetch', fetched);
  return fetched;
};
const ID = '00000000-0000-4000-8000-000000000001';
const lead = () => ask(CALLS.takeLead, { id: ID, body: { device: ID } });
const log = { events: [], leader: ID, made: 2, now: 3 };

describe('calling the server', () => {
  it('sends what the contract says, and reads the answer by it', async () => {
    const fetched = answers(JSON.stringify({ ...log, more: 'than was said' }));
    expect(await lead()).toEqual(log);
    const [url, init] = fetched.mock.calls[0] ?? [];
    expect([url, init?.method, init?.body]).toEqual([
      `/api/runs/${ID}/lead`,
      'POST',
      JSON.stringify({ device: ID }),
    ]);
    answers('{"events": "none"}');
    await expect(lead()).rejects.toThrow(z.ZodError);
  });

  it('hands on the code and the words of a refusal', async () => {
    answers('{"code": "not-leading", "message": "Take over there."}', 409);
    const refused = await lead().catch((error: unknown) => error);
    expect(refused).toBeInstanceOf(Refused);
    expect(refused).toMatchObject({ code: 'not-leading', message: 'Take over there.' });
  });

  it('takes a refusal whose code it does not know yet by its words', async () => {
    answers('{"code": "from-a-newer-server", "message": "Load the page again."}', 409);
    await expect(lead()).rejects.toMatchObject({
      code: undefined,
      message: 'Load the page again.',
    });
  });

  it('says the number where the server gave no reason', async () => {
    answers('<html>oh</html>', 500);
    await expect(lead()).rejects.toThrow('The server answered 500.');
  });

  it.each([502, 503, 504])('takes %i as nobody answering', async (status) => {
    answers('bad gateway', status);
    await expect(lead()).rejects.toThrow(Unreachable);
  });

  it('takes a broken connection as nobody answering', async () => {
    vi.stubGlobal('fetch', async () => {
      throw new TypeError('failed to fetch');
    });
    await expect(lead()).rejects.toThrow(Unreachable);
  });

  it('takes a connection lost in the middle of an answer as nobody answering', async () => {
    const begun = new ReadableStream({
      start(stream) {
        stream.enqueue(new TextEncoder().encode('{"events": ['));
        stream.error(new TypeError('network error'));
      },
    });
    vi.stubGlobal('fetch', async () => new Response(begun));
    await expect(lead()).rejects.toThrow(Unreachable);
  });
});

describe('what a person is told', () => {
  it('is what the server said, or that it is away and what is not lost', () => {
    expect(toldOf(new Refused('cancelled', 'This session was cancelled.', null))).toBe(
      'This session was cancelled.',
    );
    expect(toldOf(new Unreachable(), 'Nothing is lost.')).toBe(
      'Nothing is lost. The server does not answer. Try again in a moment.',
    );
  });

  it('is nothing of a fault of the program, which goes on to whoever notes faults', () => {
    const fault = new TypeError('x is undefined');
    expect(isExpected(fault)).toBe(false);
    expect(() => toldOf(fault)).toThrow(fault);
  });
});
