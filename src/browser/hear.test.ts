// @vitest-environment happy-dom
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { fallSilent, hearFile } from './hear';

/** As HTML has it: playing begins later, and a pause before that refuses what was asked for. */
class Player {
  paused = true;
  volume = 1;
  onpause = () => {};
  private refuse: ((problem: unknown) => void) | null = null;
  begin = () => {};
  constructor(readonly src: string) {
    players.push(this);
  }
  play() {
    if (refused) return Promise.reject(new DOMException('not allowed', 'NotAllowedError'));
    this.paused = false;
    return new Promise<void>((resolve, reject) => {
      this.begin = resolve;
      this.refuse = reject;
    });
  }
  pause() {
    if (this.paused) return;
    this.paused = true;
    this.refuse?.(new DOMException('interrupted', 'AbortError'));
    this.onpause();
  }
}

let players: Player[];
let refused: boolean;
let kept: Set<string>;

beforeEach(() => {
  [players, refused, kept] = [[], false, new Set()];
  vi.stubGlobal('Audio', Player);
  vi.spyOn(URL, 'createObjectURL').mockImplementation(() => {
    const url = `blob:${kept.size}`;
    kept.add(url);
    return url;
  });
  vi.spyOn(URL, 'revokeObjectURL').mockImplementation((url) => void kept.delete(url));
});
afterEach(() => {
  fallSilent();
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

it('lets one thing be heard at a time, and does not call what it cut off refused', async () => {
  const first = hearFile('/one');
  const second = hearFile('/two');
  players[1]?.begin();
  await Promise.all([first, second]);
  expect(players.map(({ paused }) => paused)).toEqual([true, false]);
  const stop = await second;
  stop();
  expect(players[1]?.paused).toBe(true);
});

it('falls silent also where nothing is heard yet', async () => {
  const heard = hearFile('/one');
  fallSilent();
  await heard;
  expect(players[0]?.paused).toBe(true);
});

it('keeps what a page made for as long as it is heard', async () => {
  const heard = hearFile(new Blob(['x']), 0.5);
  players[0]?.begin();
  const stop = await heard;
  expect(players[0]?.volume).toBe(0.5);
  expect(kept.size).toBe(1);
  stop();
  expect(kept.size).toBe(0);
});

it('tells that a browser plays nothing here, and keeps nothing for it', async () => {
  refused = true;
  await expect(hearFile(new Blob(['x']))).rejects.toThrow('not allowed');
  expect(kept.size).toBe(0);
});
