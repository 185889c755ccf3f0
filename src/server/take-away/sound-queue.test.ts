import { randomUUID } from 'node:crypto';
import { expect, it } from 'vitest';
import { type SoundAsker, SoundQueue } from './sound-queue';

const usual = { studioId: 'harbour', by: 'Marit' };
const never = new AbortController().signal;

/** Somebody who asks, and whose sound is made when the test says so. */
function asking(queue: SoundQueue, asker: Partial<SoundAsker> = {}) {
  const stop = new AbortController();
  const ticket = randomUUID();
  const who = { ...usual, ticket, signal: stop.signal, ...asker };
  const place = queue.take(who);
  let tell = (_: number) => {};
  let end = () => {};
  const made = place.turn(
    (how) =>
      new Promise<string>((resolve, reject) => {
        tell = how;
        end = () => resolve('a file');
        stop.signal.addEventListener('abort', () => reject(stop.signal.reason));
      }),
  );
  return {
    place,
    made,
    stop: () => stop.abort(new Error('gone')),
    tell: (share: number) => tell(share),
    end: async () => {
      end();
      await made;
      place.leave();
    },
    look: (by = who.by) => queue.look(by, ticket),
  };
}

it('tells who waits how many are before them, and whose is made how much of it is', async () => {
  const queue = new SoundQueue(1);
  const first = asking(queue);
  const second = asking(queue);
  const third = asking(queue);
  const other = asking(queue, { studioId: 'choir', by: 'Jon' });
  expect(first.look()).toEqual({ state: 'making', share: 0 });
  first.tell(0.25);
  expect(first.look()).toEqual({ state: 'making', share: 0.25 });
  expect(second.look()).toEqual({ state: 'waiting', before: 0 });
  // Studios take turns.
  expect(other.look()).toEqual({ state: 'waiting', before: 1 });
  expect(third.look()).toEqual({ state: 'waiting', before: 2 });
  await first.end();
  expect(first.look()).toEqual({ state: 'none' });
  expect(second.look()).toEqual({ state: 'making', share: 0 });
  await second.end();
  await expect.poll(() => other.look().state).toBe('making');
  await other.end();
  await third.end();
});

it('says nothing to anybody else of a ticket', () => {
  const queue = new SoundQueue(1);
  const mine = asking(queue);
  expect(mine.look('Jon')).toEqual({ state: 'none' });
  expect(queue.look(usual.by, randomUUID())).toEqual({ state: 'none' });
});

it('keeps nobody who goes away, wherever they are, and makes no one else wait for them', async () => {
  const queue = new SoundQueue(1);
  const first = asking(queue);
  const second = asking(queue);
  const third = asking(queue);
  second.stop();
  await expect(second.made).rejects.toThrow('gone');
  second.place.leave();
  expect(third.look()).toEqual({ state: 'waiting', before: 0 });
  first.stop();
  await expect(first.made).rejects.toThrow('gone');
  first.place.leave();
  await expect.poll(() => third.look().state).toBe('making');
  await third.end();
  // Whoever was gone before they came waits for nothing.
  const gone = AbortSignal.abort(new Error('gone before'));
  const place = queue.take({ ...usual, signal: gone });
  await expect(place.turn(async () => 'a file')).rejects.toThrow('gone before');
});

it('has a limit for one person and for one studio, until they leave', () => {
  const queue = new SoundQueue(2);
  const take = (of: Partial<SoundAsker>) => queue.take({ ...usual, signal: never, ...of });
  const mine = [1, 2, 3].map(() => take({}));
  expect(() => take({})).toThrow('You have 3 files of sound under way');
  mine[0]?.leave();
  take({});
  for (let n = 0; n < 9; n++) take({ by: `colleague ${n}` });
  expect(() => take({ by: 'another colleague' })).toThrow('Your studio has 12 files of sound');
  // Those at home take nobody's place who teaches, nor does one studio take another's.
  take({ by: 'Ada', atHome: true });
  take({ studioId: 'another', by: 'Jon' });
});

it('turns away whoever would wait too long, and nobody for what others ask for', async () => {
  const queue = new SoundQueue(1);
  asking(queue, { studioId: 'the first', by: 'the first' });
  // Two studios that ask for all they may.
  const many = ['choir', 'online'].flatMap((studioId) =>
    Array.from({ length: 12 }, (_, n) => asking(queue, { studioId, by: `${studioId} ${n}` })),
  );
  // The last two of the second studio would have 21 and more before them.
  for (const { made } of many.slice(22)) await expect(made).rejects.toThrow('Much sound is being');
  expect(many[21]?.look()).toEqual({ state: 'waiting', before: 19 });
  // A studio that asks for one has a turn after one of each.
  expect(asking(queue, { studioId: 'a new one', by: 'a teacher' }).look()).toEqual({
    state: 'waiting',
    before: 2,
  });
});

it('goes on after work that failed', async () => {
  const queue = new SoundQueue(1);
  const place = queue.take({ ...usual, signal: never });
  await expect(
    place.turn(async () => {
      throw new Error('no voice');
    }),
  ).rejects.toThrow('no voice');
  place.leave();
  const next = asking(queue);
  await next.end();
  expect(await next.made).toBe('a file');
});
