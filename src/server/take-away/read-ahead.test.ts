import { describe, expect, it } from 'vitest';
import { readAhead } from './read-ahead';

const keyOf = (word: string) => word;

/** Things that come when the test lets them. */
function byHand() {
  const asked: string[] = [];
  const waiting = new Map<string, { give: (thing: { of: string }) => void; fail: () => void }>();
  const get = (of: string) => {
    asked.push(of);
    return new Promise<{ of: string }>((resolve, reject) =>
      waiting.set(of, { give: resolve, fail: () => reject(new Error(`no ${of}`)) }),
    );
  };
  const give = (of: string) => waiting.get(of)?.give({ of });
  const fail = (of: string) => waiting.get(of)?.fail();
  return { asked, get, give, fail };
}

describe('reading ahead', () => {
  it('asks for the next few before their turn, and for no more', async () => {
    const { asked, get, give } = byHand();
    const read = readAhead(['a', 'b', 'c', 'd', 'e'], keyOf, get, { ahead: 2, most: 9 });
    expect(asked).toEqual([]);
    const first = read('a');
    expect(asked).toEqual(['a', 'b', 'c']);
    give('a');
    expect(await first).toEqual({ of: 'a' });
    // What was asked for before comes without being asked for again.
    give('b');
    expect(await read('b')).toEqual({ of: 'b' });
    expect(asked).toEqual(['a', 'b', 'c', 'd']);
  });

  it('counts what is new: what comes again takes no place among the next', () => {
    const { asked, get } = byHand();
    const read = readAhead(['a', 'b', 'a', 'b', 'a', 'c'], keyOf, get, { ahead: 2, most: 9 });
    for (const item of ['a', 'b', 'a']) void read(item);
    expect(asked).toEqual(['a', 'b', 'c']);
  });

  it('keeps no more than it may, and asks again for what it let go', async () => {
    const items = Array.from({ length: 200 }, (_, i) => `text ${i % 90}`);
    let open = 0;
    let most = 0;
    const times = new Map<string, number>();
    const get = async (of: string) => {
      times.set(of, (times.get(of) ?? 0) + 1);
      most = Math.max(most, ++open);
      await null;
      open--;
      return { of };
    };
    const read = readAhead(items, keyOf, get, { ahead: 4, most: 10 });
    for (const item of items) expect(await read(item)).toEqual({ of: item });
    expect(most).toBeLessThanOrEqual(5);
    expect(times.get('text 0')).toBe(3);
    expect(times.get('text 89')).toBe(2);
  });

  it('what cannot be got fails where it is come to, and not before', async () => {
    const { get, give, fail } = byHand();
    const read = readAhead(['a', 'b', 'c'], keyOf, get, { ahead: 2, most: 9 });
    const first = read('a');
    fail('b');
    give('a');
    give('c');
    expect(await first).toEqual({ of: 'a' });
    await expect(read('b')).rejects.toThrow('no b');
    expect(await read('c')).toEqual({ of: 'c' });
  });
});
