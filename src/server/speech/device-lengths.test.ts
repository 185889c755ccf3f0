import { describe, expect, it } from 'vitest';
import type { Cue } from '@/core/score';
import type { DeviceVoices, Measured } from '@/core/speech';
import {
  estimateSpeech,
  MOST_DEVICE_LENGTHS,
  saidByDevice,
  USUAL_SOUNDS,
  utteranceKey,
  wavOf,
} from '@/core/speech';
import { allSaid, prepareRun } from '../runs';
import { wordedClass } from '../take-away/worded';
import { DAY, makeClass, makeStudio, makeTeacher, NOON, testDatabase } from '../testing/studio';
import { deviceLengths, noteDeviceLengths } from './device-lengths';
import { type Speaking, saveRecording } from './recordings';
import { keepSaidWord } from './said-words';
import { chooseSpeech, speakerOf } from './teacher-speech';

const db = testDatabase();

async function teacherOf(studioId: string, deviceVoices: DeviceVoices = {}): Promise<Speaking> {
  const teacher = await makeTeacher(db(), studioId);
  await chooseSpeech(db(), teacher, {
    voice: 'plain',
    voices: {},
    deviceVoices,
    ownVoice: true,
    speaksSelf: false,
    sounds: USUAL_SOUNDS,
  });
  return teacher;
}

const measured = (text: string, ms: number): Measured => ({
  text,
  language: 'en',
  wordsPerMinute: 150,
  ms,
});
const HARBOUR = { en: 'Harbour' };
const LOOK = { text: 'Look up.', language: 'en', wordsPerMinute: 150 } as const;

describe('what a device measured', () => {
  it('is kept for its voice, its rate and its teacher; the latest counts', async () => {
    const { studioId } = await makeStudio(db());
    const me = await teacherOf(studioId);
    const colleague = await teacherOf(studioId);
    const stranger = await teacherOf((await makeStudio(db())).studioId);
    const note = (voice: string, ...all: Measured[]) =>
      noteDeviceLengths(db(), me, { voice, measured: all }, NOON);
    await note('Harbour', measured('Look up.', 700), measured('Look up.', 800));
    await note('Harbour', measured('Look up.', 900));
    await note('Other', measured('Look up.', 5000));
    const known = await deviceLengths(db(), me, HARBOUR);
    expect(known.length(LOOK)).toBe(900);
    expect(known.length({ ...LOOK, wordsPerMinute: 160 })).toBeNull();
    expect(known.count).toBe(1);
    expect((await deviceLengths(db(), me, { de: 'Harbour' })).count).toBe(0);
    expect((await deviceLengths(db(), me, {})).count).toBe(0);
    const others = [colleague, stranger, { id: me.id, studioId: stranger.studioId }];
    for (const other of others) {
      expect((await deviceLengths(db(), other, HARBOUR)).count).toBe(0);
    }
  });

  it('is so much at most: what was measured longest ago goes', async () => {
    const me = await teacherOf((await makeStudio(db())).studioId);
    const rows = Array.from({ length: MOST_DEVICE_LENGTHS }, (_, i) => ({
      studio_id: me.studioId,
      teacher_id: me.id,
      voice: 'Harbour',
      language: 'en',
      words_per_minute: 150,
      text: `Cue ${i}.`,
      ms: 1000,
      measured_at: new Date(NOON + i),
    }));
    await db().batchInsert('device_lengths', rows, 1000);
    const later = NOON + DAY;
    const two = [measured('Look up.', 700), measured('Look down.', 700)];
    await noteDeviceLengths(db(), me, { voice: 'Harbour', measured: two }, later);
    const known = await deviceLengths(db(), me, HARBOUR);
    expect(known.count).toBe(MOST_DEVICE_LENGTHS);
    expect(known.length(LOOK)).toBe(700);
    const of = (i: number) => known.length({ ...LOOK, text: `Cue ${i}.` });
    expect([of(0), of(1), of(2)]).toEqual([null, null, 1000]);
  });
});

describe('a class that is led with a voice of the device', () => {
  async function led(deviceVoices: DeviceVoices) {
    const { studioId, classId, sessionId } = await makeClass(db());
    const me = await teacherOf(studioId, deviceVoices);
    const prepared = async (device: DeviceVoices) => {
      const speaker = await speakerOf(db(), me, undefined, { device });
      const run = await prepareRun(db(), me, { sessionId, now: NOON, speaker, teacherId: me.id });
      const said = allSaid([run.score, run.easier]);
      return { ...run, said, unmeasured: said.filter((u) => !speaker.isMeasured(u)) };
    };
    return { me, classId, prepared };
  }

  it('has the lengths that were measured, and is said to be measured when all were', async () => {
    const { me, prepared } = await led(HARBOUR);
    const { score, said, unmeasured } = await prepared(HARBOUR);
    expect([score.speech, score.deviceVoices]).toEqual(['mixed', HARBOUR]);
    expect(unmeasured).toEqual(said);
    const lengths = new Map(
      said.map((u, i) => [
        utteranceKey(u),
        Math.round((1.2 + (i % 5) / 20) * estimateSpeech(u.text, u.language, u.wordsPerMinute)) +
          100,
      ]),
    );
    const toSay = saidByDevice([]);
    const all = said.map((u) => ({
      ...u,
      text: toSay(u.text, u.language),
      ms: lengths.get(utteranceKey(u)) ?? 0,
    }));
    for (let at = 0; at < all.length; at += 100) {
      const some = { voice: 'Harbour', measured: all.slice(at, at + 100) };
      await noteDeviceLengths(db(), me, some, NOON);
    }
    const after = await prepared(HARBOUR);
    expect([after.score.speech, after.unmeasured]).toEqual(['measured', []]);
    for (const { text, language, durationMs } of after.score.cues) {
      const key = utteranceKey({ text, language, wordsPerMinute: after.score.wordsPerMinute });
      expect(durationMs).toBe(lengths.get(key));
    }
  });

  it('is expected at the pace of the voice where only some of it was measured', async () => {
    const { me, prepared } = await led(HARBOUR);
    const texts = ['Look up.', 'Breathe out slowly.', 'Let the jaw hang.'];
    const twice = texts.map((text) => measured(text, 2 * estimateSpeech(text, 'en', 150)));
    await noteDeviceLengths(db(), me, { voice: 'Harbour', measured: twice }, NOON);
    const { score } = await prepared(HARBOUR);
    const { text, durationMs } = score.cues[0] ?? { text: '', durationMs: 0 };
    expect(durationMs / estimateSpeech(text, 'en', score.wordsPerMinute)).toBeCloseTo(2, 1);
  });

  it('is the machine’s where the device has not the voice, and in all that is taken away', async () => {
    const { me, classId, prepared } = await led(HARBOUR);
    const { score } = await prepared({});
    expect([score.speech, score.deviceVoices]).toEqual(['measured', undefined]);
    const other = await prepared({ en: 'A voice that was not chosen' });
    expect(other.score.cues).toEqual(score.cues);
    await noteDeviceLengths(
      db(),
      me,
      { voice: 'Harbour', measured: score.cues.slice(0, 5).map((c) => measured(c.text, 9000)) },
      NOON,
    );
    const taken = await wordedClass(db(), me, classId);
    const timed = (cues: Cue[]) => cues.map((c) => [c.text, c.startMs, c.durationMs]);
    expect(timed(taken.score.cues)).toEqual(timed(score.cues));
  });

  it('leaves to recordings what they say, and gives the device words as the studio says them', async () => {
    const { me, prepared } = await led(HARBOUR);
    const before = await prepared(HARBOUR);
    const { text } = before.score.cues[0] ?? { text: '' };
    const wav = wavOf({ samples: new Float32Array(24_000).fill(0.1), rate: 24_000 });
    await saveRecording(db(), me, { language: 'en', text, wav }, NOON);
    const { score, unmeasured } = await prepared(HARBOUR);
    expect(score.recorded).toEqual([`en ${text}`]);
    expect(unmeasured.map((u) => u.text)).not.toContain(text);

    await keepSaidWord(db(), me, { language: 'en', written: 'jaw', said: 'joar' }, NOON);
    await noteDeviceLengths(
      db(),
      me,
      { voice: 'Harbour', measured: [measured('Drop the joar.', 1234)] },
      NOON,
    );
    const speaker = await speakerOf(db(), me, undefined, { device: 'as chosen' });
    expect(await speaker.knownLength({ ...LOOK, text: 'Drop the jaw.' })).toBe(1234);
    expect(await speaker.knownLength({ ...LOOK, text: 'Drop the joar now.' })).toBeNull();
  });
});
