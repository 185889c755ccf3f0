import { type PretendVoices, pretendVoices } from '@testing/pretend-voices';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { CALLS } from '@/core/calls';
import type { Measured, Utterance } from '@/core/speech';
import { measuredVoice, sayAll } from './device-lengths';
import { DeviceVoice, ofThoseHere, voicesHere } from './device-voice';

const say = (text: string): Utterance => ({ text, language: 'en', wordsPerMinute: 150 });
const LOOK = say('Look up and let the forehead widen.');
const device = (of: Partial<PretendVoices> = {}) =>
  pretendVoices({
    voices: [
      { name: 'Harbour', lang: 'en-GB' },
      { name: 'Hafen', lang: 'de_DE' },
      { name: 'Two tongues', lang: 'en-US' },
      { name: 'Two tongues', lang: 'de-DE' },
      { name: 'Far away', lang: 'en-GB', localService: false },
      { name: 'Port', lang: 'fr-FR' },
    ],
    delayMs: 80,
    msPerLetter: 60,
    ...of,
  });

beforeEach(() => {
  vi.useFakeTimers({ now: 0, toFake: ['setTimeout', 'clearTimeout', 'performance', 'Date'] });
});
afterEach(() => {
  vi.useRealTimers();
  Reflect.deleteProperty(globalThis, 'speechSynthesis');
});

describe('the voices of this device', () => {
  it('are those that speak a language of ours here, without sending it away', async () => {
    device();
    expect(await voicesHere()).toEqual([
      { name: 'Harbour', languages: ['en'] },
      { name: 'Hafen', languages: ['de'] },
      { name: 'Two tongues', languages: ['en', 'de'] },
    ]);
    const wanted = { en: 'Harbour', de: 'Harbour' };
    expect(await ofThoseHere(wanted)).toEqual({ en: 'Harbour' });
  });

  it('are waited for where the browser finds them late, and not for ever', async () => {
    device({ foundAfterMs: 700 });
    const late = voicesHere();
    await vi.advanceTimersByTimeAsync(700);
    expect(await late).toHaveLength(3);
    device({ foundAfterMs: 60_000 });
    const never = voicesHere();
    await vi.advanceTimersByTimeAsync(2000);
    expect(await never).toEqual([]);
    Reflect.deleteProperty(globalThis, 'speechSynthesis');
    expect(await voicesHere()).toEqual([]);
  });
});

describe('a voice of this device', () => {
  const measuring = () => {
    const found: [string, Measured][] = [];
    const voice = new DeviceVoice({
      voices: { en: 'Two tongues' },
      toSay: (text) => text.toUpperCase(),
      onMeasured: (name, measured) => found.push([name, measured]),
    });
    return { voice, found };
  };

  it('says what it is given as it is to be said, and its length is from its beginning to its end', () => {
    const { said } = device();
    const { voice, found } = measuring();
    const ends: (number | null)[] = [];
    voice.say({ ...LOOK, wordsPerMinute: 120 }, { volume: 0.5, onEnd: (ms) => ends.push(ms) });
    vi.runAllTimers();
    const text = LOOK.text.toUpperCase();
    const ms = (text.length * 60) / (120 / 150);
    expect(said).toEqual([{ text, voice: 'Two tongues', volume: 0.5, rate: 0.8, begunAt: 80 }]);
    expect(ends).toEqual([ms]);
    expect(found).toEqual([['Two tongues', { text, language: 'en', wordsPerMinute: 120, ms }]]);
    expect(voice.delayMs('en')).toBe(80);
  });

  it('measures nothing that cannot be a length', () => {
    device({ msPerLetter: 0.5 });
    const { voice, found } = measuring();
    const ends: (number | null)[] = [];
    voice.say(LOOK, { volume: 1, onEnd: (ms) => ends.push(ms) });
    vi.runAllTimers();
    expect([ends, found]).toEqual([[null], []]);
  });

  it('says one after the other; what is taken back takes nothing else with it', () => {
    const { said } = device();
    const { voice } = measuring();
    const ends: string[] = [];
    const texts = ['one of them', 'two of them', 'three of them'];
    const stops = texts.map((text) =>
      voice.say(say(text), { volume: 1, onEnd: () => ends.push(text) }),
    );
    vi.advanceTimersByTime(200);
    stops[1]?.();
    vi.runAllTimers();
    expect(said.map((s) => s.text)).toEqual(['ONE OF THEM', 'THREE OF THEM']);
    expect(ends).toEqual(['one of them', 'three of them']);
  });

  it('begins from a press with nothing, and cuts nothing off by it', () => {
    const { said } = device();
    const { voice } = measuring();
    voice.unlock();
    vi.runAllTimers();
    voice.say(LOOK, { volume: 1 });
    voice.unlock();
    vi.runAllTimers();
    expect(said.map(({ text, volume }) => [text, volume])).toEqual([
      ['', 0],
      [LOOK.text.toUpperCase(), 1],
    ]);
  });

  it('leaves out what would come too late', () => {
    const { said } = device();
    const { voice } = measuring();
    for (const [text, waitsMs] of [['one of them'], ['count', 250], ['two of them']] as const) {
      voice.say(say(text), { volume: 1, ...(waitsMs && { waitsMs }) });
    }
    vi.runAllTimers();
    expect(said.map((s) => s.text)).toEqual(['ONE OF THEM', 'TWO OF THEM']);
    for (const text of ['go', 'soon']) voice.say(say(text), { volume: 1, waitsMs: 250 });
    vi.runAllTimers();
    expect(said.map((s) => s.text).slice(2)).toEqual(['GO', 'SOON']);
  });

  it('goes on with the next where what it says is stopped', () => {
    const { said } = device();
    const { voice } = measuring();
    const stops = ['one of them', 'two of them'].map((text) => voice.say(say(text), { volume: 1 }));
    vi.advanceTimersByTime(200);
    stops[0]?.();
    vi.advanceTimersByTime(80);
    expect(said.map((s) => s.begunAt)).toEqual([80, 280]);
    stops[1]?.();
    expect(vi.getTimerCount()).toBe(0);
  });

  it('tells that it fell silent, by the time the cue would be over', () => {
    const pretend = device();
    pretend.fallSilent = true;
    const { voice } = measuring();
    const silent: number[] = [];
    voice.say(LOOK, { volume: 1, expectedMs: 900, onSilent: () => silent.push(Date.now()) });
    vi.advanceTimersByTime(5000);
    expect(silent).toEqual([900]);
  });

  it('waits for no end that is never told, and says nothing after it that has waited too long', () => {
    const pretend = device();
    const { voice, found } = measuring();
    const ends: (number | null)[] = [];
    pretend.neverEnds = true;
    const how = { volume: 1, expectedMs: 2000 };
    voice.say(LOOK, { ...how, onEnd: (ms) => ends.push(ms) });
    voice.say(say('over by then'), { ...how, waitsMs: 5000 });
    vi.advanceTimersByTime(4000);
    voice.say(say('still so'), { ...how, waitsMs: 5000 });
    pretend.neverEnds = false;
    vi.advanceTimersByTime(2000);
    expect(ends).toEqual([]);
    vi.advanceTimersByTime(2000);
    expect(ends).toEqual([null]);
    vi.runAllTimers();
    // Nobody knows how long it took.
    expect(JSON.stringify(found)).not.toContain(LOOK.text.toUpperCase());
    expect(pretend.said.map((s) => s.text)).toEqual([LOOK.text.toUpperCase(), 'STILL SO']);
    expect(vi.getTimerCount()).toBe(0);
  });

  it('takes no more for silent what another part of the page took back', () => {
    device();
    const { voice } = measuring();
    const [silent, ends] = [vi.fn(), vi.fn()];
    voice.say(LOOK, { volume: 1, onSilent: silent, onEnd: ends });
    vi.advanceTimersByTime(200);
    speechSynthesis.cancel();
    expect([silent.mock.calls, ends.mock.calls]).toEqual([[], [[null]]]);
  });
});

describe('saying many texts', () => {
  const all = ['Look up.', 'Look down.', 'Look left.', 'Look right.', 'Look up again.'].map(say);
  const started = (of: Parameters<typeof sayAll>[0]) => {
    const controller = new AbortController();
    const counts: number[] = [];
    const end = sayAll(of, all, {
      volume: 0,
      signal: controller.signal,
      onSaid: (count) => counts.push(count),
    });
    return { controller, counts, end };
  };

  it('measures each, and tells the server of all of them', async () => {
    const { said } = device();
    const told: unknown[] = [];
    vi.stubGlobal('fetch', async (url: string, { body }: { body: string }) => {
      expect(url).toBe(CALLS.noteDeviceLengths.path);
      told.push(JSON.parse(body));
      return Response.json({ noted: 5 });
    });
    const { voice, tell } = measuredVoice({ en: 'Harbour' }, [
      { language: 'en', written: 'again', said: 'a gain' },
    ]);
    const { counts, end } = started(voice);
    await vi.runAllTimersAsync();
    expect(await end).toBe('done');
    await tell();
    expect(counts).toEqual([1, 2, 3, 4, 5]);
    expect(said.every((s) => s.volume === 0)).toBe(true);
    expect(told).toEqual([
      {
        voice: 'Harbour',
        measured: said.map(({ text }) => ({ ...say(text), ms: text.length * 60 })),
      },
    ]);
    expect(said.at(-1)?.text).toBe('Look up a gain.');
  });

  it('stops when it is told to, when the voice falls silent, and where no length is told', async () => {
    const pretend = device();
    const voice = new DeviceVoice({ voices: { en: 'Harbour' } });
    const stopped = started(voice);
    await vi.advanceTimersByTimeAsync(1000);
    stopped.controller.abort();
    expect(await stopped.end).toBe('stopped');
    expect(stopped.counts).toEqual([1]);
    pretend.fallSilent = true;
    const silent = started(voice);
    await vi.advanceTimersByTimeAsync(5000);
    expect(await silent.end).toBe('silent');
    device({ msPerLetter: 0.1 });
    const odd = started(new DeviceVoice({ voices: { en: 'Harbour' } }));
    await vi.runAllTimersAsync();
    expect(await odd.end).toBe('no lengths');
  });
});
