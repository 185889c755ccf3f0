import { z } from 'zod';
import { TALK_CLASSES, type TalkSample, talkingFactor } from '@/core/run';
import { type SpeechChoice, speechChoiceSchema, type Utterance } from '@/core/speech';
import type { Db } from '../db';
import { found } from '../scope';
import type { Speaker } from './compile-measured';
import { recordedAudio, recordingsOf, type Speaking } from './recordings';
import { type Voice, voice } from './voice';

/** How much a teacher talks, and what that was learned from. */
export interface Talk {
  factor: number;
  classes: number;
}

const choiceSchema = z
  .object({ voice: speechChoiceSchema.shape.voice, own_voice: z.boolean() })
  .transform((row): SpeechChoice => ({ voice: row.voice, ownVoice: row.own_voice }));

const self = ({ id, studioId }: Speaking) => ({ id, studio_id: studioId });

export async function speechChoice(db: Db, teacher: Speaking): Promise<SpeechChoice> {
  const row = await db('teachers').where(self(teacher)).first('voice', 'own_voice');
  return choiceSchema.parse(found(row, 'teacher'));
}

export async function chooseSpeech(db: Db, teacher: Speaking, choice: SpeechChoice): Promise<void> {
  await db('teachers')
    .where(self(teacher))
    .update({ voice: choice.voice, own_voice: choice.ownVoice });
}

/** Who speaks a teacher's cues, and what tells that from any other time. */
export interface TeacherSpeaker extends Speaker {
  /** The voice that was chosen, and the recordings. */
  stamp: string;
  /** How much this process has spoken so far; more may be known after more was. */
  spoken: () => number;
}

/**
 * Who speaks a teacher's cues: their recordings first, then the machine in the voice they chose.
 * @param machine the machine's voice; null where it has none
 */
export async function speakerOf(
  db: Db,
  teacher: Speaking,
  machine?: Voice | null,
): Promise<TeacherSpeaker> {
  const [choice, speaking] = await Promise.all([
    speechChoice(db, teacher),
    machine === undefined ? voice() : machine,
  ]);
  const recordings = choice.ownVoice ? await recordingsOf(db, teacher) : [];
  const recorded = new Map(recordings.map((r) => [`${r.language} ${r.text}`, r.ms]));
  const sound = recordings.reduce((sum, r) => sum + r.ms + r.recordedAt, 0);
  const ofRecording = ({ language, text }: Utterance) => recorded.get(`${language} ${text}`);
  return {
    stamp: `${choice.voice} ${choice.ownVoice} ${recordings.length} ${sound} ${speaking !== null}`,
    spoken: () => speaking?.rendered ?? 0,
    length: async (utterance) =>
      ofRecording(utterance) ?? (await speaking?.length(utterance, choice.voice)) ?? null,
    knownLength: async (utterance) =>
      ofRecording(utterance) ?? (await speaking?.knownLength(utterance, choice.voice)) ?? null,
  };
}

/** A WAV file and what tells it from any other. */
export interface SpokenAudio {
  wav: Buffer;
  mark: string;
}

/** A cue as its teacher wants it heard; null where nobody can say it. */
export async function spoken(
  db: Db,
  teacher: Speaking,
  utterance: Utterance,
): Promise<SpokenAudio | null> {
  const choice = await speechChoice(db, teacher);
  const recorded = choice.ownVoice && (await recordedAudio(db, teacher, utterance));
  if (recorded) return { wav: recorded.wav, mark: recorded.id };
  const machine = await voice();
  if (!machine) return null;
  return {
    wav: await machine.audio(utterance, choice.voice),
    mark: machine.mark(utterance, choice.voice),
  };
}

const sampleSchema = z
  .object({ cues_ms: z.number(), taken_ms: z.number() })
  .transform((row): TalkSample => ({ cuesMs: row.cues_ms, takenMs: row.taken_ms }));

/** The talking factor of a teacher, learned from the classes they led last. */
export async function talkOfTeacher(db: Db, { id, studioId }: Speaking): Promise<Talk> {
  const rows = await db('talk_samples')
    .where({ teacher_id: id, studio_id: studioId })
    .orderBy('led_at', 'desc')
    .limit(TALK_CLASSES)
    .select('cues_ms', 'taken_ms');
  const samples = z.array(sampleSchema).parse(rows);
  return { factor: talkingFactor(samples), classes: samples.length };
}

/** Notes how a teacher talked in one class; a class counts once. */
export async function noteTalk(
  db: Db,
  { id, studioId }: Speaking,
  { sessionId, cuesMs, takenMs, ledAt }: TalkSample & { sessionId: string; ledAt: number },
): Promise<void> {
  if (cuesMs === 0) return;
  await db('talk_samples')
    .insert({
      session_id: sessionId,
      studio_id: studioId,
      teacher_id: id,
      cues_ms: cuesMs,
      taken_ms: takenMs,
      led_at: new Date(ledAt),
    })
    .onConflict('session_id')
    .ignore();
}

/** Forgets what was learned, so that the factor is 1 again. */
export async function forgetTalk(db: Db, { id, studioId }: Speaking): Promise<void> {
  await db('talk_samples').where({ teacher_id: id, studio_id: studioId }).delete();
}
