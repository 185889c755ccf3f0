import { describe, expect, it } from 'vitest';
import { bodyOf } from './body';

const sent = (body: BodyInit, headers: Record<string, string> = {}) =>
  new Request('http://hall.example/api/classes', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', ...headers },
    body,
    duplex: 'half',
  } as RequestInit);

/** A body that comes in pieces, and how many of its pieces were read. */
function inPieces(pieces: Iterable<string>) {
  const iterator = pieces[Symbol.iterator]();
  let read = 0;
  const body = new ReadableStream<Uint8Array>(
    {
      pull: (controller) => {
        const next = iterator.next();
        if (next.done) return controller.close();
        read++;
        controller.enqueue(new TextEncoder().encode(next.value));
      },
    },
    { highWaterMark: 0 },
  );
  return { body, read: () => read };
}

describe('the body of a request', () => {
  it('is read as it was sent, in however many pieces, cut within a letter or not', async () => {
    const said = { name: 'Hafen am Übergang', cues: ['a', 'b'] };
    const bytes = new TextEncoder().encode(JSON.stringify(said));
    for (let size = 1; size < bytes.length; size++) {
      const body = new ReadableStream<Uint8Array>({
        start: (controller) => {
          for (let i = 0; i < bytes.length; i += size) controller.enqueue(bytes.slice(i, i + size));
          controller.close();
        },
      });
      expect(await bodyOf(sent(body))).toEqual(said);
    }
    expect(await bodyOf(sent(''))).toEqual({});
  });

  it('that does not say how much it will be is read no further than it may be', async () => {
    const endless = function* () {
      for (;;) yield ' '.repeat(300_000);
    };
    const { body, read } = inPieces(endless());
    await expect(bodyOf(sent(body))).rejects.toMatchObject({ code: 'too-large' });
    expect(read()).toBe(7);
    const most = inPieces([`"${' '.repeat(1_999_998)}"`]);
    expect(await bodyOf(sent(most.body))).toHaveLength(1_999_998);
  });

  it('that says it is too large is not read at all', async () => {
    const { body, read } = inPieces(['{}']);
    const asked = sent(body, { 'Content-Length': '2000001' });
    await expect(bodyOf(asked)).rejects.toMatchObject({ code: 'too-large' });
    expect(read()).toBe(0);
  });
});
