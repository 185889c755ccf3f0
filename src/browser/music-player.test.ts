import { until } from '@testing/until';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { CROSS_MS, DUCK_MS, FADE_OUT_MS, HOLD_MS, RISE_MS, type TimedPiece } from '@/core/music';
import { Mixer } from './mixer';
import { MusicPlayer } from './music-player';

/** An audio output that works its gains out as browsers do, on a clock the test sets. */
let now = 0;
class FakeContext {
  state = 'running';
  destination = {};
  get currentTime() {
    return now;
  }
  async resume() {}
  async close() {}
  createMediaElementSource(element: FakeAudio) {
    return new FakeNode(undefined, {}, element);
  }
}

interface Point {
  at: number;
  value: number;
  how: 'set' | 'ramp';
}

class FakeNode {
  to: unknown;
  readonly points: Point[] = [];
  curve: { from: number; seconds: number; values: Float32Array } | null = null;
  readonly gain;
  constructor(
    _: unknown,
    options: { gain?: number } = {},
    readonly element?: FakeAudio,
  ) {
    this.gain = {
      value: options.gain ?? 1,
      cancelScheduledValues: (at: number) => {
        const kept = this.points.filter((p) => p.at < at);
        this.points.splice(0, this.points.length, ...kept);
      },
      setValueAtTime: (value: number, at: number) =>
        void this.points.push({ at, value, how: 'set' }),
      exponentialRampToValueAtTime: (value: number, at: number) =>
        void this.points.push({ at, value, how: 'ramp' }),
      setValueCurveAtTime: (values: Float32Array, from: number, seconds: number) => {
        this.curve = { values, from, seconds };
      },
    };
  }
  connect<T>(to: T): T {
    this.to = to;
    return to;
  }
  disconnect() {
    this.to = undefined;
  }
  /** What it multiplies by at a time. */
  at(seconds: number): number {
    if (this.curve) {
      const { values, from, seconds: lasts } = this.curve;
      const share = Math.max(0, Math.min(1, (seconds - from) / lasts));
      return values[Math.round(share * (values.length - 1))] ?? 0;
    }
    let value = this.gain.value;
    for (const [i, point] of this.points.entries()) {
      if (point.at <= seconds) value = point.value;
      else {
        const before = this.points[i - 1];
        if (point.how === 'ramp' && before) {
          value *= (point.value / value) ** ((seconds - before.at) / (point.at - before.at));
        }
        break;
      }
    }
    return value;
  }
}

class FakeAudio {
  static made: FakeAudio[] = [];
  currentTime = 0;
  paused = true;
  src = '';
  /** A press has begun it. */
  private isMine = false;
  constructor() {
    FakeAudio.made.push(this);
  }
  async play() {
    if (pressing) this.isMine = true;
    if (refusing || (isPhone && !this.isMine)) {
      throw new DOMException('not now', 'NotAllowedError');
    }
    this.paused = false;
  }
  pause() {
    this.paused = true;
  }
  removeAttribute() {
    this.src = '';
  }
}

const timed = (n: number, seconds: number): TimedPiece => ({
  id: `00000000-0000-4000-8000-00000000000${n}`,
  ms: seconds * 1000,
});
const [A, B, C] = [timed(1, 60), timed(2, 90), timed(3, 30)];

let refusing = false;
/** Lets only those play by themselves that a press has begun. */
let isPhone = false;
let pressing = false;
let away = false;
let asked: string[] = [];
let gone = new Set<string>();

beforeEach(() => {
  now = 0;
  [refusing, isPhone, pressing, away] = [false, false, false, false];
  asked = [];
  gone = new Set();
  FakeAudio.made = [];
  vi.useFakeTimers({ toFake: ['setTimeout', 'performance'] });
  vi.stubGlobal('AudioContext', FakeContext);
  vi.stubGlobal('GainNode', FakeNode);
  vi.stubGlobal('Audio', FakeAudio);
  let made = 0;
  vi.stubGlobal(
    'URL',
    Object.assign(URL, {
      createObjectURL: (file: { name: string }) => `${file.name} ${++made}`,
      revokeObjectURL: () => {},
    }),
  );
  vi.stubGlobal('fetch', async (url: string) => {
    asked.push(url);
    if (away) throw new TypeError('away');
    const ok = !gone.has(url);
    return { ok, status: ok ? 200 : 404, blob: async () => ({ name: url }) };
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

function player(...lengthsOf: TimedPiece[]) {
  const mixer = new Mixer();
  mixer.open();
  const made = new MusicPlayer(mixer, (id) => id);
  made.pieces = lengthsOf.length ? lengthsOf : [A, B, C];
  return made;
}
/** Lets answers that are there be read. */
const settled = async () => {
  for (let i = 0; i < 10; i++) await Promise.resolve();
};
/** What is played now, and from where. */
const heard = () =>
  FakeAudio.made
    .filter(({ paused }) => !paused)
    .map(({ src, currentTime }) => [src.split(' ')[0], currentTime]);
/** Somebody presses something. */
function press(music: MusicPlayer): void {
  pressing = true;
  music.unlock();
  pressing = false;
}
/** So many seconds go by, for whatever plays too. */
function pass(seconds: number): void {
  now += seconds;
  for (const one of FakeAudio.made) if (!one.paused) one.currentTime += seconds;
  vi.advanceTimersByTime(seconds * 1000);
}

describe('music under a class', () => {
  it('begins where the class is, and plays one piece into the next, over and over', async () => {
    const music = player();
    const playlist = [A.id, C.id];
    music.follow({ playlist, intoMs: 10_000 });
    await settled();
    expect(heard()).toEqual([[A.id, 10]]);
    pass(43);
    music.follow({ playlist, intoMs: 53_000 });
    await settled();
    expect(heard()).toEqual([[A.id, 53]]);
    pass(1);
    music.follow({ playlist, intoMs: 54_000 });
    await settled();
    // The one comes while the other goes.
    expect(heard()).toEqual([
      [A.id, 54],
      [C.id, 0],
    ]);
    pass(CROSS_MS / 1000);
    expect(heard()).toEqual([[C.id, 6]]);
    pass(18);
    music.follow({ playlist, intoMs: 78_000 });
    await settled();
    expect(heard()).toContainEqual([A.id, 0]);
    expect(asked).toEqual([A.id, C.id]);
  });

  it('fades from the playlist of one phase into that of the next, and out for a pause', async () => {
    const music = player();
    music.follow({ playlist: [A.id], intoMs: 0 });
    await settled();
    pass(20);
    music.follow({ playlist: [B.id], intoMs: 0 });
    await settled();
    expect(heard().map(([id]) => id)).toEqual([A.id, B.id]);
    pass(FADE_OUT_MS / 1000);
    expect(heard().map(([id]) => id)).toEqual([B.id]);
    music.rest();
    pass(FADE_OUT_MS / 1000);
    expect(heard()).toEqual([]);
    music.follow({ playlist: [B.id], intoMs: 12_000 });
    await settled();
    expect(heard()).toEqual([[B.id, 12]]);
    music.close();
    expect(heard()).toEqual([]);
  });

  it('does not jump where the class does within a phase', async () => {
    const music = player();
    music.follow({ playlist: [A.id], intoMs: 0 });
    await settled();
    pass(5);
    music.follow({ playlist: [A.id], intoMs: 40_000 });
    await settled();
    expect(heard()).toEqual([[A.id, 5]]);
  });

  it('leaves out what is gone, and tries again what cannot be had now', async () => {
    gone.add(A.id);
    const music = player();
    music.follow({ playlist: [A.id, B.id], intoMs: 5000 });
    await settled();
    expect(heard()).toEqual([[B.id, 0]]);
    const later = player();
    const silent: boolean[] = [];
    later.onSilent = (is) => silent.push(is);
    away = true;
    later.follow({ playlist: [C.id], intoMs: 0 });
    await settled();
    expect(heard()).toHaveLength(1);
    away = false;
    pass(6);
    later.follow({ playlist: [C.id], intoMs: 6000 });
    await until(() => expect(heard().at(-1)).toEqual([C.id, 6]));
    expect(silent).toEqual([true, false]);
  });

  it('begins as soon as the browser lets it', async () => {
    refusing = true;
    const music = player();
    music.follow({ playlist: [A.id], intoMs: 0 });
    await settled();
    expect(heard()).toEqual([]);
    refusing = false;
    pass(6);
    music.follow({ playlist: [A.id], intoMs: 6000 });
    await settled();
    expect(heard()).toEqual([[A.id, 6]]);
  });

  it('plays what is wanted now once, also where something else could not be had before', async () => {
    away = true;
    const music = player();
    music.follow({ playlist: [A.id], intoMs: 0 });
    await settled();
    pass(6);
    away = false;
    // The phase changes, and its piece takes a while to come.
    for (let s = 6; s < 10; s++) music.follow({ playlist: [B.id], intoMs: 0 });
    await settled();
    expect(heard()).toEqual([[B.id, 0]]);
    music.rest();
    pass(FADE_OUT_MS / 1000);
    expect(heard()).toEqual([]);
  });

  it('plays on a phone from the press that starts the class on, one piece into the next and over again', async () => {
    isPhone = true;
    const music = player();
    music.follow({ playlist: [A.id, C.id], intoMs: 0 });
    await settled();
    expect(heard()).toEqual([]);
    press(music);
    music.follow({ playlist: [A.id, C.id], intoMs: 1000 });
    await settled();
    expect(heard()).toEqual([[A.id, 1]]);
    const silent: boolean[] = [];
    music.onSilent = (is) => silent.push(is);
    for (let s = 1; s <= 300; s++) {
      pass(1);
      music.follow({ playlist: [A.id, C.id], intoMs: s * 1000 });
      await settled();
      expect([1, 2]).toContain(heard().length);
      expect(new Set(heard().map(([id]) => id)).size).toBe(heard().length);
    }
    expect(silent).not.toContain(true);
    music.close();
    expect(heard()).toEqual([]);
  });

  it('comes back where the class is after the device took it away', async () => {
    const music = player();
    const playlist = [B.id];
    music.follow({ playlist, intoMs: 0 });
    await settled();
    pass(5);
    FakeAudio.made[0]?.pause();
    refusing = true;
    for (let s = 5; s < 20; s++) {
      music.follow({ playlist, intoMs: s * 1000 });
      await settled();
      pass(1);
    }
    expect(heard()).toEqual([]);
    refusing = false;
    for (let s = 20; s < 26; s++) {
      music.follow({ playlist, intoMs: s * 1000 });
      await settled();
      pass(1);
    }
    expect(heard()).toEqual([[B.id, 26]]);
  });

  it('goes its way down before a word and up after the last, whatever it is told on the way', async () => {
    const music = player();
    music.follow({ playlist: [B.id], intoMs: 0 });
    await settled();
    const of = music as unknown as { duckGain: FakeNode };
    const db = (s: number) => 20 * Math.log10(of.duckGain.at(s));
    const said = { fromMs: 5000, toMs: 7000 };
    music.duck([said]);
    const upMs = said.toMs + HOLD_MS + RISE_MS;
    expect(db((said.fromMs - DUCK_MS) / 1000)).toBeCloseTo(-12, 3);
    for (const s of [5, 6, 7, 7.6]) expect(db(s)).toBeCloseTo(-20, 3);
    expect(db(upMs / 1000)).toBeCloseTo(-12, 3);
    // While it comes back somebody speaks again after all: it goes down from where it is.
    now = 8;
    const was = db(8);
    expect(was).toBeGreaterThan(-20);
    music.duck([said, { fromMs: 8600, toMs: 9000 }]);
    expect(db(8)).toBeCloseTo(was, 3);
    let last = was;
    for (let s = 8; s < 8.4; s += 0.05) {
      expect(db(s)).toBeLessThanOrEqual(last + 0.01);
      last = db(s);
    }
    for (const s of [8.4, 8.6, 9, 9.5]) expect(db(s)).toBeCloseTo(-20, 2);
    expect(db(9 + (HOLD_MS + RISE_MS) / 1000)).toBeCloseTo(-12, 2);
    // Nobody speaks after all.
    now = 8.5;
    music.duck([]);
    expect(db(8.5)).toBeCloseTo(-20, 2);
    expect(db(8.5 + DUCK_MS / 1000)).toBeCloseTo(-12, 2);
  });

  it('is as loud beside the voice as it is set to be', async () => {
    const music = player();
    music.volume = 0.4;
    music.follow({ playlist: [A.id], intoMs: 0 });
    await settled();
    const { levelGain } = music as unknown as { levelGain: FakeNode };
    expect(levelGain.gain.value).toBe(0.4);
    music.volume = 3;
    expect([music.volume, levelGain.gain.value]).toEqual([1, 1]);
  });
});
