import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import * as demo from '@demo';
import { LIBRARY_BOOK } from '@library';
import { afterAll, describe, expect, it } from 'vitest';
import { CUE_GAP_MS } from '@/core/score';
import { VOICES, wavMs } from '@/core/speech';
import { compileMeasured } from './compile-measured';
import { espeak, type SpeechEngine } from './engine';
import { Voice } from './voice';

const folder = mkdtempSync(path.join(tmpdir(), 'upbeat-voice-'));
afterAll(() => rmSync(folder, { recursive: true }));

async function engine(): Promise<SpeechEngine & { rendered: string[] }> {
  const real = await espeak();
  if (!real) throw new Error('espeak-ng is not installed; "npm test" installs it.');
  const rendered: string[] = [];
  return {
    ...real,
    rendered,
    render: (utterance, voice) => {
      rendered.push(utterance.text);
      return real.render(utterance, voice);
    },
  };
}
const say = (text: string) => ({ text, language: 'en', wordsPerMinute: 150 }) as const;

describe('the voice', () => {
  it('renders each text once, however many ask, and finds it again after a restart', async () => {
    const speaking = await engine();
    const voice = new Voice(speaking, folder);
    await Promise.all([
      voice.length(say('Breathe.')),
      voice.audio(say('Breathe.')),
      voice.length(say('Breathe.')),
    ]);
    await new Voice(speaking, folder).audio(say('Breathe.'));
    expect(speaking.rendered).toEqual(['Breathe.']);
    expect(readdirSync(folder).filter((f) => !f.endsWith('.wav'))).toEqual([]);
  });

  it('measures what it renders: a whole WAV file whose header tells its length', async () => {
    const voice = new Voice(await engine(), folder);
    const wav = await voice.audio(say('Fold both lips over the teeth.'));
    expect(wav.readUInt32LE(4)).toBe(wav.length - 8);
    expect(wav.readUInt32LE(40)).toBe(wav.length - 44);
    expect(await voice.length(say('Fold both lips over the teeth.'))).toBe(wavMs(wav));
    expect(wavMs(wav)).toBeGreaterThan(1000);
  });

  it('takes every text as text, even one that looks like an option or like phonemes', async () => {
    const voice = new Voice(await engine(), folder);
    for (const text of ['--version', '[[h@loU]]', '"; rm -rf /', '<break time="9s"/>']) {
      expect(await voice.length(say(text))).toBeLessThan(6000);
    }
  });

  it('has four voices that differ, each rendered once', async () => {
    const speaking = await engine();
    const voice = new Voice(speaking, folder);
    const said = await Promise.all(VOICES.map((name) => voice.audio(say('Let go.'), name)));
    expect(new Set(said.map((wav) => wav.toString('base64'))).size).toBe(VOICES.length);
    await Promise.all(VOICES.map((name) => voice.length(say('Let go.'), name)));
    expect(speaking.rendered).toHaveLength(VOICES.length);
  });

  it('speaks faster at a higher rate', async () => {
    const voice = new Voice(await engine(), folder);
    const slow = await voice.length(say('Let the shoulders sink.'));
    const fast = await voice.length({ ...say('Let the shoulders sink.'), wordsPerMinute: 220 });
    expect(fast).toBeLessThan(slow * 0.8);
  });
});

it('gives every demo class a score in which no measured cue is spoken over another', async () => {
  const voice = new Voice(await engine(), folder);
  for (const plan of [demo.choir, demo.online]) {
    const score = await compileMeasured(plan, LIBRARY_BOOK, voice);
    expect(score.speech).toBe('measured');
    const late = score.cues.filter((cue, i) => {
      const next = score.cues[i + 1];
      return next && next.startMs - cue.startMs - cue.durationMs < CUE_GAP_MS;
    });
    expect(late).toEqual([]);
    expect(score.totalMs).toBeLessThanOrEqual(score.slotMs);
  }
});

it('falls back to the estimate where there is no voice, and says so', async () => {
  expect((await compileMeasured(demo.online, LIBRARY_BOOK, null)).speech).toBe('estimated');
});
