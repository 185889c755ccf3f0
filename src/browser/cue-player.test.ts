import { pretendVoices } from '@testing/pretend-voices';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Spoken } from '@/core/music';
import type { DueCue } from '@/core/run';
import type { Cue } from '@/core/score';
import { USUAL_SOUNDS, wordsKey } from '@/core/speech';
import { CuePlayer, type Sound } from './cue-player';
import { DeviceVoice } from './device-voice';
import { speechUrl } from './hear';

/** An audio output that only notes what is asked of it, on a clock the test sets. */
class FakeOutput {
  static now = 10;
  static started: { when: number; source: string; stopped: boolean; to?: unknown }[] = [];
  /** Whose samples were looked at. */
  static listened: string[] = [];
  state = 'running';
  destination = {};
  get currentTime() {
    return FakeOutput.now;
  }
  async resume() {}
  async close() {}
  async decodeAudioData(data: ArrayBuffer) {
    const name = new TextDecoder().decode(data);
    const getChannelData = () => {
      FakeOutput.listened.push(name);
      return samplesOf(name);
    };
    return { name, duration: 0.4, sampleRate: 1000, getChannelData };
  }
  sampleRate = 8000;
  createBuffer(_: number, length: number) {
    return { name: `mark of ${length}`, copyToChannel: () => {} };
  }
}

/** Words are silent; a number has its vowel in its last tenth of a second. */
const samplesOf = (name: string) =>
  Float32Array.from({ length: 400 }, (_, i) =>
    name === 'five' && i >= 300 ? Math.sin(2 * Math.PI * 0.4 * i) : 0,
  );

class FakeSource {
  private readonly source: string;
  constructor(_: unknown, options: { buffer?: { name: string }; frequency?: number }) {
    this.source = options.buffer?.name ?? `tone ${options.frequency}`;
  }
  private to: unknown;
  connect(to: unknown) {
    this.to = to;
    return to;
  }
  private noted: (typeof FakeOutput.started)[number] | undefined;
  start(when: number) {
    this.noted = { when, source: this.source, stopped: false, to: this.to };
    FakeOutput.started.push(this.noted);
  }
  stop(when?: number) {
    if (when === undefined && this.noted) this.noted.stopped = true;
  }
}

class FakeGain {
  static made: FakeGain[] = [];
  readonly to: unknown[] = [];
  readonly gain;
  constructor(_?: unknown, options: { gain?: number } = {}) {
    this.gain = { value: options.gain ?? 1, ...SILENT_PARAM };
    FakeGain.made.push(this);
  }
  connect(to: unknown) {
    this.to.push(to);
    return to;
  }
}
const SILENT_PARAM = {
  setValueAtTime: () => {},
  linearRampToValueAtTime: () => {},
  exponentialRampToValueAtTime: () => {},
};

/** The server's answer for a cue: its text as audio, or a refusal. */
let answer: (text: string, rate: string) => Response;

beforeEach(() => {
  FakeOutput.now = 10;
  FakeOutput.started = [];
  FakeOutput.listened = [];
  FakeGain.made = [];
  answer = (text) => new Response(text);
  vi.stubGlobal('AudioContext', FakeOutput);
  vi.stubGlobal('AudioBufferSourceNode', FakeSource);
  vi.stubGlobal('OscillatorNode', FakeSource);
  vi.stubGlobal('GainNode', FakeGain);
  vi.stubGlobal('fetch', async (url: string) => {
    const asked = new URL(url, 'http://x').searchParams;
    return answer(asked.get('text') ?? '', asked.get('rate') ?? '');
  });
});
afterEach(() => vi.unstubAllGlobals());

const cue = (text: string): Cue => ({
  id: text,
  step: 0,
  kind: 'form',
  text,
  language: 'en',
  offsetMs: 0,
  startMs: 0,
  durationMs: 500,
  fromEnd: false,
});
const due = (text: string, at: number): DueCue => ({
  key: text,
  cue: cue(text),
  at,
  phase: 'work',
});
/** Lets answers that are there be read and decoded: so many turns of the event loop, and no time. */
const settled = async () => {
  for (let turn = 0; turn < 20; turn++) await new Promise((resolve) => setImmediate(resolve));
};
const heard = () => FakeOutput.started.filter((s) => !s.stopped).map((s) => [s.source, s.when]);

async function ready(texts: string[], onSound?: (sound: Sound) => void): Promise<CuePlayer> {
  const player = new CuePlayer(150, speechUrl, onSound);
  await player.mixer.unlock();
  player.fetchAhead(texts.map(cue));
  await settled();
  return player;
}

describe('the cue player', () => {
  it('schedules each cue once, at its place on the audio clock', async () => {
    const player = await ready(['a', 'b']);
    const plan = [due('a', 1000), due('b', 3500)];
    player.follow(plan, [], () => 0);
    player.follow(plan, [], () => 100);
    expect(heard()).toEqual([
      ['a', 11],
      ['b', 13.5],
    ]);
  });

  it('takes a cue back that is no longer due, and leaves one alone that has begun', async () => {
    const player = await ready(['a', 'b']);
    player.follow([due('a', 100), due('b', 3000)], [], () => 0);
    player.follow([], [], () => 500);
    expect(heard()).toEqual([['a', 10.1]]);
  });

  it('moves a cue along when the work is made longer', async () => {
    const player = await ready(['one']);
    player.follow([due('one', 4000)], [], () => 0);
    FakeOutput.now = 11;
    player.follow([due('one', 14_000)], [], () => 1000);
    expect(FakeOutput.started.map((s) => [s.when, s.stopped])).toEqual([
      [14, true],
      [24, false],
    ]);
  });

  it('does not mind a measurement of the clock that differs by a hair', async () => {
    const player = await ready(['a']);
    player.follow([due('a', 1000)], [], () => 0);
    player.follow([due('a', 1010)], [], () => 0);
    expect(FakeOutput.started).toHaveLength(1);
  });

  it('falls silent at once, and says everything again after', async () => {
    const player = await ready(['a']);
    player.follow([due('a', 1000)], [], () => 0);
    player.silence();
    expect(heard()).toEqual([]);
    player.follow([due('a', 1000)], [], () => 0);
    expect(heard()).toEqual([['a', 11]]);
  });

  it('says nothing before it was unlocked by a press', () => {
    const player = new CuePlayer(150, speechUrl);
    player.follow([due('a', 1000)], [], () => 0);
    expect(FakeOutput.started).toEqual([]);
  });

  it('keeps its time although single looks at the audio clock are far off', async () => {
    const player = await ready(['a', 'b']);
    const plan = [due('a', 5000), due('b', 9000)];
    for (const [i, off] of [3, -2, 80, 0, 4, -190, 2, 1].entries()) {
      FakeOutput.now = 10 + (i * 100 + off) / 1000;
      player.follow([], [], () => i * 100);
    }
    FakeOutput.now = 10.8;
    player.follow(plan, [], () => 800);
    const apart = heard().map(([, at], i) => Math.abs((at as number) - (i === 0 ? 15 : 19)));
    expect(apart).toHaveLength(2);
    expect(Math.max(...apart)).toBeLessThan(0.005);
  });

  it('follows an audio clock that stood still for a while', async () => {
    const player = await ready(['a']);
    for (let now = 0; now < 1000; now += 100) player.follow([], [], () => now);
    for (let now = 1000; now < 2000; now += 100) {
      FakeOutput.now = 10 + (now - 900) / 1000;
      player.follow([due('a', 4000)], [], () => now);
    }
    expect(heard()).toEqual([['a', expect.closeTo(13.1, 5)]]);
  });

  it('plays so much earlier as the loudspeaker is late, by what the device says or somebody has set', async () => {
    const player = await ready(['a']);
    const { context } = player.mixer.open();
    const when = (now: number) => {
      player.follow([due('a', 5000)], [{ key: 'b', at: 6000, of: 'beat' }], () => now);
      return heard().map(([, at]) => at);
    };
    const says = (outputLatency: number) => Object.assign(context, { outputLatency });
    expect(when(0)).toEqual([15, 16]);
    says(0.2);
    expect(when(0)[0]).toBeCloseTo(14.8, 5);
    // What it says wanders; nothing is said anew for that.
    says(0.23);
    expect(when(0)[0]).toBeCloseTo(14.8, 5);
    says(Number.NaN);
    expect(when(0)[0]).toBeCloseTo(15, 5);
    player.mixer.late = 300;
    expect(when(0).sort()[0]).toBeCloseTo(14.7, 5);
    // It is being played already: that it is heard later is no reason to begin again.
    const { length } = FakeOutput.started;
    FakeOutput.now = 14.75;
    player.mixer.late = 350;
    when(4750);
    expect(FakeOutput.started.slice(length).filter((s) => s.source === 'a')).toEqual([]);
  });

  /**
   * Somebody is called while they follow: the device takes the sound away for so long, and its audio clock stands still.
   * What is due is told ten times a second.
   */
  async function takenAway(
    plan: DueCue[],
    { state, fromMs, toMs }: { state: string; fromMs: number; toMs: number },
  ) {
    const player = await ready(plan.map(({ key }) => key));
    const tick = (now: number) =>
      player.follow(
        plan.filter((d) => d.at > now && d.at <= now + 2000),
        [],
        () => now,
      );
    const { context } = player.mixer.open();
    for (let now = 0; now < fromMs; now += 100) {
      FakeOutput.now = 10 + now / 1000;
      tick(now);
    }
    Object.assign(context, { state });
    for (let now = fromMs; now < toMs; now += 100) tick(now);
    const isBlocked = player.mixer.blocked;
    Object.assign(context, { state: 'running' });
    for (let now = toMs; now < toMs + 3000; now += 100) {
      FakeOutput.now = 10 + (fromMs + now - toMs) / 1000;
      tick(now);
    }
    return { isBlocked, heard: heard() };
  }

  it.each(['interrupted', 'suspended'])(
    'says nothing late that passed while the sound was %s, and the rest at its time',
    async (state) => {
      const every = Array.from({ length: 40 }, (_, i) => due(`cue ${i}`, 500 + i * 1000));
      const { isBlocked, heard } = await takenAway(every, { state, fromMs: 3000, toMs: 30_000 });
      expect(isBlocked).toBe(true);
      const [before, after] = [heard.slice(0, 3), heard.slice(3)];
      expect(before).toEqual([
        ['cue 0', 10.5],
        ['cue 1', 11.5],
        ['cue 2', 12.5],
      ]);
      // The audio clock is 27 s behind from then on.
      expect(after.map(([name]) => name).slice(0, 3)).toEqual(['cue 30', 'cue 31', 'cue 32']);
      expect(after.map(([, when]) => when).slice(0, 3)).toEqual(
        [13.5, 14.5, 15.5].map((when) => expect.closeTo(when, 2)),
      );
    },
  );

  it('asks for the sound again where the device has taken it away', async () => {
    const player = await ready([]);
    const { context } = player.mixer.open();
    const resume = vi.spyOn(context, 'resume').mockRejectedValue(new DOMException('not now'));
    player.follow([], [], () => 0);
    expect(resume).not.toHaveBeenCalled();
    Object.assign(context, { state: 'interrupted' });
    player.follow([], [], () => 100);
    player.follow([], [], () => 200);
    expect(resume).toHaveBeenCalledTimes(1);
    await settled();
    expect(player.mixer.blocked).toBe(true);
    resume.mockImplementation(async () => void Object.assign(context, { state: 'running' }));
    await player.mixer.unlock();
    expect(player.mixer.blocked).toBe(false);
  });

  it('keeps nobody waiting for a sound that never comes', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    const player = new CuePlayer(150, speechUrl);
    const { context } = player.mixer.open();
    Object.assign(context, { state: 'suspended' });
    vi.spyOn(context, 'resume').mockReturnValue(new Promise(() => {}));
    let begun = false;
    const pressed = player.mixer.unlock().then(() => {
      begun = true;
    });
    await vi.advanceTimersByTimeAsync(500);
    expect(begun).toBe(false);
    await vi.advanceTimersByTimeAsync(600);
    await pressed;
    expect([begun, player.mixer.blocked]).toEqual([true, true]);
    vi.useRealTimers();
  });

  it('looks at the audio clock by itself, however seldom it is told what is due', async () => {
    const player = await ready(['a']);
    vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] });
    let now = 0;
    player.follow([due('a', 4000)], [], () => now);
    for (; now < 1000; now += 100) {
      FakeOutput.now = 9.9 + now / 1000;
      vi.advanceTimersByTime(100);
    }
    player.follow([due('a', 4000)], [], () => now);
    player.silence();
    expect(vi.getTimerCount()).toBe(0);
    vi.useRealTimers();
    expect(FakeOutput.started.at(-1)?.when).toBeCloseTo(13.9, 5);
  });

  it('never says a cue over one that was held up', async () => {
    const player = await ready(['a', 'b']);
    const plan = [due('a', 100), due('b', 600)];
    for (let now = 0; now < 100; now += 10) {
      FakeOutput.now = 10 + now / 1000;
      player.follow(plan, [], () => now);
    }
    // The device stands still for 300 ms while the first is being said.
    for (let now = 400; now < 500; now += 10) {
      FakeOutput.now = 10.1 + (now - 400) / 1000;
      player.follow(plan, [], () => now);
    }
    const [a, b] = heard().map(([, when]) => when as number);
    expect(b).toBeGreaterThanOrEqual((a ?? 0) + 0.4);
  });

  it('mutes the voice and lets the counts be heard', async () => {
    const player = await ready(['a', 'three']);
    player.mixer.muted = true;
    const three = { ...due('three', 2000), cue: { ...cue('three'), kind: 'count' as const } };
    player.follow([due('a', 1000), three], [], () => 0);
    const [voice, counts] = FakeOutput.started.map((s) => s.to as FakeGain);
    expect([voice?.gain.value, counts?.gain.value]).toEqual([0, 1]);
    player.mixer.muted = false;
    expect(voice?.gain.value).toBe(1);
  });

  const counted = (text: string, at: number, kind: Cue['kind'] = 'count'): DueCue => ({
    ...due(text, at),
    key: `${text} ${at}`,
    cue: { ...cue(text), kind },
  });

  it('begins a count so early that it is heard on the beat, and never over what is said before it', async () => {
    const player = await ready(['five', 'a']);
    player.follow([counted('five', 2000), due('a', 2900), counted('five', 3350)], [], () => 0);
    const starts = FakeOutput.started.map((s) => s.when);
    // Its vowel begins after 0.3 s and is as long as a tenth: it is heard after 0.65 of the one and 0.25 of the other.
    expect(starts[0]).toBeCloseTo(12 - 0.22, 1);
    // "a" is said from 12.9 to 13.3; the second "five" would have begun at about 13.13.
    expect(starts.slice(1)).toEqual([expect.closeTo(12.9), expect.closeTo(13.3)]);
    // Looked at again, nothing is moved.
    player.follow([counted('five', 2000), due('a', 2900), counted('five', 3350)], [], () => 0);
    expect(heard()).toHaveLength(3);
  });

  it('finds the beats of counts before they are due, one by one while the page is idle', async () => {
    const player = await ready(['five', 'four', 'a']);
    const idle = new Map<number, () => void>();
    let asked = 0;
    vi.stubGlobal('requestIdleCallback', (work: () => void) => {
      idle.set(++asked, work);
      return asked;
    });
    vi.stubGlobal('cancelIdleCallback', (id: number) => idle.delete(id));
    const passes = () => {
      const now = [...idle.values()];
      idle.clear();
      for (const work of now) work();
    };
    const all = [due('a', 1000), counted('five', 2000), counted('four', 3000)];
    FakeOutput.listened = [];
    player.fetchAhead(all.map((d) => d.cue));
    player.fetchAhead(all.map((d) => d.cue));
    expect(FakeOutput.listened).toEqual([]);
    passes();
    expect(FakeOutput.listened).toEqual(['five']);
    passes();
    expect(FakeOutput.listened).toEqual(['five', 'four']);
    player.follow(all, [], () => 0);
    expect(FakeOutput.listened).toEqual(['five', 'four']);
    expect(idle.size).toBe(0);
    const other = await ready(['five']);
    other.fetchAhead([counted('five', 2000).cue]);
    expect(idle.size).toBe(1);
    other.close();
    expect(idle.size).toBe(0);
  });

  it('counts by wood, or not at all, and rings a bell by its own volume', async () => {
    const player = await ready(['five', 'a']);
    const all = [counted('five', 1000), counted('three', 2000, 'countIn'), due('a', 3000)];
    player.besides = { ...USUAL_SOUNDS, countedBy: 'wood', bellVolume: 0.25 };
    player.follow(all, [{ key: 'b', at: 500, of: 'bell' }], () => 0);
    expect(heard().map(([source, when]) => [String(source).split(' ')[0], when])).toEqual([
      ['mark', 11],
      ['mark', 12],
      ['a', 13],
      ['mark', 10.5],
    ]);
    const bell = FakeOutput.started.at(-1)?.to as FakeGain;
    expect(bell.gain.value).toBe(0.25);
    // What has not begun yet is heard as it is wanted now.
    player.besides = { ...USUAL_SOUNDS, countedBy: 'none' };
    player.follow(all, [], () => 0);
    expect(heard().filter(([, when]) => when !== undefined)).toEqual([['a', 13]]);
  });

  it('says the close softer where that is wanted', async () => {
    const player = await ready(['a', 'b']);
    player.besides = { ...USUAL_SOUNDS, softClose: true };
    player.follow([due('a', 1000), { ...due('b', 3000), phase: 'close' }], [], () => 0);
    const [a, b] = FakeOutput.started.map((s) => (s.to as FakeGain).gain.value);
    expect(a).toBe(1);
    expect(b).toBeCloseTo(0.56, 2);
  });

  it('says what is due anew where the class is heard on something else, without asking again', async () => {
    let asked = 0;
    answer = (text) => {
      asked++;
      return new Response(text);
    };
    const player = await ready(['a']);
    player.follow([due('a', 5000)], [], () => 0);
    expect(heard()).toEqual([['a', 15]]);
    player.besides = { ...USUAL_SOUNDS, heardOn: 'hall' };
    player.follow([due('a', 5000)], [], () => 0);
    await settled();
    player.follow([due('a', 5000)], [], () => 0);
    // What is narrowed is a sound of its own.
    expect(heard()).toEqual([['mark of 400', 15]]);
    expect(asked).toBe(1);
    player.besides = { ...USUAL_SOUNDS, countVolume: 1, heardOn: 'headphones' };
    expect(FakeGain.made[2]?.gain.value).toBeCloseTo(0.708, 3);
  });

  it('tells when somebody speaks, on the audio clock, and that nobody does when it is silenced', async () => {
    const player = await ready(['a', 'five']);
    const told: Spoken[][] = [];
    player.onSpoken = (spoken) => told.push(spoken);
    const beat = { key: 'beat', at: 2000, of: 'beat' as const };
    player.follow([due('a', 1000), due('five', 3000)], [beat], () => 0);
    expect(told.at(-1)).toEqual([
      { fromMs: 11_000, toMs: expect.closeTo(11_400) },
      { fromMs: 13_000, toMs: expect.closeTo(13_400) },
    ]);
    // Whoever speaks already still does, though it is due no more.
    player.follow([due('five', 3000)], [], () => 1200);
    expect(told.at(-1)).toHaveLength(2);
    player.silence();
    expect(told.at(-1)).toEqual([]);
  });

  it('is as loud as it is set to be, within bounds', async () => {
    const player = await ready([]);
    player.mixer.volume = 0.3;
    expect(FakeGain.made[0]?.gain.value).toBe(0.3);
    player.mixer.volume = 7;
    expect([player.mixer.volume, FakeGain.made[0]?.gain.value]).toEqual([1, 1]);
  });

  it('marks beats by a tone, each once', async () => {
    const player = await ready([]);
    const beats = [0, 1000, 2000].map((at) => ({ key: `beat ${at}`, at, of: 'beat' as const }));
    player.follow([], beats, () => 0);
    player.follow([], beats.slice(1), () => 500);
    expect(heard().map(([, when]) => when)).toEqual([10, 11, 12]);
    expect(new Set(heard().map(([source]) => source)).size).toBe(1);
  });

  it('marks cues by tones where neither the server nor the browser has a voice', async () => {
    const sounds: Sound[] = [];
    answer = () => new Response('no voice', { status: 503 });
    const player = await ready(['a'], (sound) => sounds.push(sound));
    player.follow([due('a', 1000)], [], () => 0);
    expect(sounds).toEqual(['tone']);
    expect(heard()).toEqual([['tone 440', 11]]);
  });

  describe('with voices of this device', () => {
    const HARBOUR = { name: 'Harbour', lang: 'en-GB' };
    const device = (delayMs = 100) =>
      pretendVoices({ voices: [HARBOUR], delayMs, msPerLetter: 60 });
    const named = () => new DeviceVoice({ voices: { en: 'Harbour' } });
    beforeEach(() => {
      vi.useFakeTimers({ now: 0, toFake: ['setTimeout', 'clearTimeout', 'performance', 'Date'] });
    });
    afterEach(() => {
      vi.useRealTimers();
      Reflect.deleteProperty(globalThis, 'speechSynthesis');
    });

    it('lets them speak in time, where the server has no voice', async () => {
      const { said } = device();
      answer = () => new Response('no voice', { status: 503 });
      const player = await ready(['a']);
      expect(player.sound).toBe('browser');
      player.follow([due('a', 1000), due('b', 2000)], [], () => 0);
      vi.advanceTimersByTime(1000);
      expect(said).toMatchObject([{ text: 'a', begunAt: 1000, voice: 'en' }]);
      player.silence();
      vi.advanceTimersByTime(5000);
      expect(said).toHaveLength(1);
    });

    it('begins them in the press, the one that stands in too: telephones let none speak before', async () => {
      const { said } = device();
      const player = await ready(['a']);
      for (const voice of [null, named()]) {
        player.device = voice;
        await player.unlock();
        vi.advanceTimersByTime(500);
      }
      expect(said.map(({ text, volume }) => [text, volume])).toEqual([
        ['', 0],
        ['', 0],
      ]);
      expect(player.mixer.blocked).toBe(false);
    });

    it('gives them what is to be said so early as they were measured to need', async () => {
      const { said } = device(260);
      const player = await ready(['a', 'b', 'c']);
      player.device = named();
      player.follow([due('a', 1000)], [], () => 0);
      vi.advanceTimersByTime(1500);
      player.follow([due('b', 3000)], [], () => 1500);
      vi.advanceTimersByTime(2000);
      expect(said.map(({ text, begunAt }) => [text, begunAt])).toEqual([
        // As long as nothing was measured, a tenth of a second.
        ['a', 1160],
        ['b', 3000],
      ]);
      expect(heard()).toEqual([]);
    });

    it('plays what is recorded, and all where a class is hurried', async () => {
      const { said } = device();
      const player = await ready(['a', 'b']);
      player.device = named();
      player.recorded = new Set([wordsKey({ text: 'a', language: 'en' })]);
      player.follow([due('a', 1000), due('b', 2000)], [], () => 0);
      vi.advanceTimersByTime(2500);
      expect(heard()).toEqual([['a', 11]]);
      expect(said.map((s) => s.text)).toEqual(['b']);
      player.speed = 2;
      player.follow([due('b', 4000)], [], () => 2500);
      expect(heard().at(-1)?.[0]).toBe('b');
    });

    it('goes on with the server where one falls silent, within the time of the cue, and says so once', async () => {
      const pretend = device();
      const sounds: Sound[] = [];
      const player = await ready(['a', 'b', 'five'], (sound) => sounds.push(sound));
      player.device = named();
      pretend.fallSilent = true;
      let now = 0;
      const pass = (ms: number) => {
        now += ms;
        FakeOutput.now += ms / 1000;
        vi.advanceTimersByTime(ms);
      };
      const plan = [due('a', 1000), due('b', 5000)];
      const follow = () =>
        player.follow(
          plan.filter(({ at }) => at > now),
          [],
          () => now,
        );
      follow();
      for (let i = 0; i < 6; i++) {
        pass(250);
        follow();
      }
      expect(sounds).toEqual(['instead']);
      const [[said, at] = []] = heard();
      expect(said).toBe('a');
      expect(Number(at)).toBeLessThanOrEqual(11.5);
      follow();
      expect(heard()).toEqual([
        ['a', at],
        ['b', 15],
      ]);
    });

    it('takes back only what it gave: others may be heard in the same voice', async () => {
      const { said } = device();
      const player = await ready([]);
      const voice = named();
      player.device = voice;
      const end = vi.fn();
      voice.say(
        { text: 'Somebody else.', language: 'en', wordsPerMinute: 150 },
        { volume: 0, onEnd: end },
      );
      player.follow([due('a', 1000)], [], () => 0);
      player.silence();
      vi.advanceTimersByTime(5000);
      expect(said.map((s) => s.text)).toEqual(['Somebody else.']);
      expect(end).toHaveBeenCalled();
    });

    it('does not count late: a count that fell silent is left out', async () => {
      const pretend = device();
      const player = await ready(['five']);
      player.device = named();
      pretend.fallSilent = true;
      const count = { ...due('five', 1000), cue: { ...cue('five'), kind: 'count' as const } };
      player.follow([count], [], () => 0);
      vi.advanceTimersByTime(3000);
      expect(heard()).toEqual([]);
      expect(player.sound).toBe('instead');
    });
  });

  it('plays what is recorded where the server has no voice, and marks the rest', async () => {
    answer = (text) => (text === 'b' ? new Response('own b') : new Response('', { status: 503 }));
    const player = await ready(['a', 'b']);
    player.follow([due('a', 1000), due('b', 3000)], [], () => 0);
    expect(heard()).toEqual([
      ['tone 440', 11],
      ['own b', 13],
    ]);
  });

  it('changes its voice: what has begun is said out, what comes is said by the new one', async () => {
    const player = await ready(['a', 'b', 'c']);
    const plan = [due('a', 500), due('b', 3000), due('c', 6000)];
    player.follow(plan, [], () => 0);
    FakeOutput.now = 10.6;
    answer = (text) => new Response(`new ${text}`);
    player.changeVoice();
    player.follow(plan.slice(1), [], () => 600);
    await settled();
    player.follow(plan.slice(1), [], () => 620);
    const names = heard().map(([source]) => source);
    expect(names).toEqual(['a', 'new b', 'new c']);
  });

  it('keeps the voice it had while the new one cannot be fetched', async () => {
    const player = await ready(['a']);
    vi.stubGlobal('fetch', () => Promise.reject(new Error('away')));
    player.changeVoice();
    player.follow([due('a', 1000)], [], () => 0);
    await settled();
    expect(heard()).toEqual([['a', 11]]);
  });

  it('says what is to come at another rate as soon as it has it', async () => {
    answer = (text, rate) => new Response(`${text} at ${rate}`);
    const player = await ready(['a', 'b']);
    const plan = [due('a', 500), due('b', 3000)];
    player.follow(plan, [], () => 0);
    FakeOutput.now = 10.6;
    player.wordsPerMinute = 180;
    player.follow(plan.slice(1), [], () => 600);
    await settled();
    player.follow(plan.slice(1), [], () => 700);
    expect(heard().map(([source]) => source)).toEqual(['a at 150', 'b at 180']);
  });

  it('asks for each audio once, however often it is told what is due', async () => {
    const asked: string[] = [];
    answer = (text) => {
      asked.push(text);
      return new Response(text);
    };
    const player = await ready([]);
    for (let i = 0; i < 5; i++) player.follow([due('a', 1000)], [], () => 0);
    await settled();
    expect(asked).toEqual(['a']);
  });

  it('has the whole class, what is due soon first, when the connection is lost', async () => {
    const asked: string[] = [];
    answer = (text) => {
      asked.push(text);
      return new Response(text);
    };
    const player = await ready([]);
    player.fetchAll(['a', 'b', 'c', 'z'].map(cue));
    player.fetchAhead([cue('z')]);
    await settled();
    expect(asked).toEqual(['a', 'z', 'b', 'c']);
    vi.stubGlobal('fetch', () => Promise.reject(new Error('away')));
    player.follow([due('c', 1000)], [], () => 0);
    await settled();
    player.follow([due('c', 1000)], [], () => 100);
    expect(heard()).toEqual([['c', 11]]);
  });

  const lostMidway = () =>
    new Response(new ReadableStream({ start: (stream) => stream.error(new TypeError('lost')) }));
  it.each([
    ['lost', () => Promise.reject(new Error('away'))],
    ['lost in the middle of a cue', async () => lostMidway()],
  ])('goes on fetching the class when the connection, %s, is back', async (_, away) => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    const { fetch } = globalThis;
    const player = new CuePlayer(150, speechUrl);
    vi.stubGlobal('fetch', away);
    player.fetchAll(['a', 'b'].map(cue));
    await vi.advanceTimersByTimeAsync(100);
    const asked: string[] = [];
    vi.stubGlobal('fetch', (url: string) => {
      asked.push(new URL(url, 'http://x').searchParams.get('text') ?? '');
      return fetch(url);
    });
    await vi.advanceTimersByTimeAsync(10_000);
    expect(asked).toEqual(['a', 'b']);
    player.close();
    vi.useRealTimers();
  });

  it('does not give a cue up because the server is in trouble for a moment', async () => {
    answer = () => new Response('', { status: 500 });
    const player = await ready(['a']);
    answer = (text) => new Response(text);
    player.follow([due('a', 1000)], [], () => 0);
    await settled();
    player.follow([due('a', 1000)], [], () => 100);
    expect(heard()).toEqual([['a', 11]]);
    player.close();
  });

  it('does not keep what was still said in the voice that was given up', async () => {
    let late = (_: Response) => {};
    vi.stubGlobal('fetch', () => new Promise((resolve) => (late = resolve)));
    const player = new CuePlayer(150, speechUrl);
    await player.mixer.unlock();
    player.fetchAll([cue('a')]);
    const answerOld = late;
    player.changeVoice();
    answerOld(new Response('old a'));
    await settled();
    late(new Response('new a'));
    await settled();
    player.fetchAhead([cue('a')]);
    await settled();
    player.follow([due('a', 1000)], [], () => 0);
    expect(heard()).toEqual([['new a', 11]]);
  });

  it('leaves out a cue whose audio has not come yet instead of saying it late', async () => {
    answer = (text) => (text === 'slow' ? new Response('', { status: 404 }) : new Response(text));
    const player = await ready(['slow', 'a']);
    player.follow([due('slow', 500), due('a', 1000)], [], () => 0);
    expect(heard()).toEqual([['a', 11]]);
  });
});
