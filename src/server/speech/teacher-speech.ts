import { z } from 'zod';
import { Refusal } from '@/core/calls';
import { SAY } from '@/core/class';
import { LANGUAGES, type Language } from '@/core/language';
import { TALK_KEPT, type Talk, type TalkSample } from '@/core/run';
import {
  type DeviceSays,
  type DeviceVoices,
  estimateSpeech,
  type SaidWord,
  type SpeechChoice,
  saidByDevice,
  sayingIn,
  speechChoiceSchema,
  type Utterance,
  type VoiceId,
  voiceIn,
  wordsKey,
} from '@/core/speech';
import type { Db } from '../db';
import { found } from '../scope';
import { deviceLengths } from './device-lengths';
import { recordedAudio, recordingsOf, type Speaking } from './recordings';
import { saidWords } from './said-words';
import type { Speaker } from './speaker';
import { type Asker, type Voice, voice } from './voice';

const choiceSchema = z
  .object({
    voice: speechChoiceSchema.shape.voice,
    voices: speechChoiceSchema.shape.voices,
    device_voices: speechChoiceSchema.shape.deviceVoices,
    own_voice: z.boolean(),
    speaks_self: z.boolean(),
    sounds: speechChoiceSchema.shape.sounds,
  })
  .transform(
    (row): SpeechChoice => ({
      voice: row.voice,
      voices: row.voices,
      deviceVoices: row.device_voices,
      ownVoice: row.own_voice,
      speaksSelf: row.speaks_self,
      sounds: row.sounds,
    }),
  );

const self = ({ id, studioId }: Speaking) => ({ id, studio_id: studioId });

export async function speechChoice(db: Db, teacher: Speaking): Promise<SpeechChoice> {
  const row = await db('teachers')
    .where(self(teacher))
    .first('voice', 'voices', 'device_voices', 'own_voice', 'speaks_self', 'sounds');
  return choiceSchema.parse(found(row, 'teacher'));
}

export async function chooseSpeech(db: Db, teacher: Speaking, choice: SpeechChoice): Promise<void> {
  await db('teachers')
    .where(self(teacher))
    .update({
      voice: choice.voice,
      voices: JSON.stringify(choice.voices),
      device_voices: JSON.stringify(choice.deviceVoices),
      own_voice: choice.ownVoice,
      speaks_self: choice.speaksSelf,
      sounds: JSON.stringify(choice.sounds),
    });
}

/** What is to be said in place of an utterance, as the studio wants its words said. */
function saying(words: readonly SaidWord[]): (utterance: Utterance) => Utterance {
  const as = sayingIn(words);
  return (utterance) => ({ ...utterance, text: as(utterance.text, utterance.language) });
}

/** Who speaks a teacher's cues, and what tells that from any other time. */
export interface TeacherSpeaker extends Speaker {
  isRecorded: (utterance: Utterance) => boolean;
  isMeasured: (utterance: Utterance) => boolean;
  /** What a device needs to know so that its voices say what they are to; null where none of them speaks. */
  onDevice: DeviceSays | null;
  /** The voice that was chosen, the recordings, and how words are said. */
  stamp: string;
  /** In which voice the machine speaks each language. */
  voices: Record<Language, VoiceId>;
  /** How much this process has spoken so far; more may be known after more was. */
  spoken: () => number;
}

export interface SpeakerAsked extends Omit<Asker, 'owner'> {
  /**
   * Whether it is led with voices of a device: with those that were chosen, or with those of them that this device has.
   * The machine speaks alone where nothing is said of it, as in all that is taken away.
   */
  device?: 'as chosen' | DeviceVoices;
}

/** The voices of a device that speak: those chosen, as far as the device has them. */
function deviceVoicesIn(
  { deviceVoices }: SpeechChoice,
  device: SpeakerAsked['device'],
): DeviceVoices {
  if (device === undefined) return {};
  if (device === 'as chosen') return deviceVoices;
  const has = ([language, name]: [string, string]) => device[language as Language] === name;
  return Object.fromEntries(Object.entries(deviceVoices).filter(has));
}

/**
 * Who speaks a teacher's cues: their recordings first, then a voice of the device where one is to, then the machine in
 * the voice they chose.
 * @param machine the machine's voice; null where it has none
 * @param asking how soon what is said is needed, and how it is given up
 */
export async function speakerOf(
  db: Db,
  teacher: Speaking,
  machine?: Voice | null,
  { device, ...asking }: SpeakerAsked = {},
): Promise<TeacherSpeaker> {
  const asker = { ...asking, owner: teacher.id };
  const [choice, words, speaking] = await Promise.all([
    speechChoice(db, teacher),
    saidWords(db, teacher),
    machine === undefined ? voice() : machine,
  ]);
  const said = saying(words);
  const recordings = choice.ownVoice ? await recordingsOf(db, teacher) : [];
  const recorded = new Map(recordings.map((r) => [wordsKey(r), r.ms]));
  const sound = recordings.reduce((sum, r) => sum + r.ms + r.recordedAt, 0);
  const ofRecording = (utterance: Utterance) => recorded.get(wordsKey(utterance));
  const voiceOf = ({ language }: Utterance) => voiceIn(choice, language);

  const ownVoices = deviceVoicesIn(choice, device);
  const speaksOnDevice = Object.keys(ownVoices).length > 0;
  const own = await deviceLengths(db, teacher, ownVoices);
  const toDevice = saidByDevice(words);
  const givenToDevice = (utterance: Utterance): Utterance | null =>
    ownVoices[utterance.language] === undefined
      ? null
      : { ...utterance, text: toDevice(utterance.text, utterance.language) };
  /** As it was measured; as it is to be expected at the pace of the voice where it was not yet. */
  const deviceLength = (given: Utterance) =>
    own.length(given) ??
    Math.round(
      own.pace(given.language) * estimateSpeech(given.text, given.language, given.wordsPerMinute),
    );
  return {
    stamp: `${choice.voice} ${JSON.stringify(choice.voices)} ${choice.ownVoice} ${recordings.length} ${sound} ${speaking !== null} ${JSON.stringify(words)} ${JSON.stringify(ownVoices)} ${own.stamp}`,
    voices: Object.fromEntries(LANGUAGES.map((l) => [l, voiceIn(choice, l)])) as Record<
      Language,
      VoiceId
    >,
    spoken: () => speaking?.rendered ?? 0,
    length: async (utterance) => {
      const given = givenToDevice(utterance);
      return (
        ofRecording(utterance) ??
        (given
          ? deviceLength(given)
          : await speaking?.length(said(utterance), voiceOf(utterance), asker)) ??
        null
      );
    },
    knownLength: async (utterance) => {
      const given = givenToDevice(utterance);
      return (
        ofRecording(utterance) ??
        (given
          ? own.length(given)
          : await speaking?.knownLength(said(utterance), voiceOf(utterance))) ??
        null
      );
    },
    ...(speaksOnDevice && { deviceVoices: ownVoices }),
    onDevice: speaksOnDevice
      ? { voices: ownVoices, words, recorded: recordings.map(wordsKey) }
      : null,
    isRecorded: (utterance) => ofRecording(utterance) !== undefined,
    isMeasured: (utterance) => {
      const given = givenToDevice(utterance);
      return !given || ofRecording(utterance) !== undefined || own.length(given) !== null;
    },
  };
}

/** A WAV file and what tells it from any other. */
export interface SpokenAudio {
  wav: Buffer;
  mark: string;
}

/**
 * A cue as its teacher wants it heard.
 * @throws Refusal `no-voice`, `unspeakable`
 */
export async function spoken(
  db: Db,
  teacher: Speaking,
  utterance: Utterance,
  asking: Omit<Asker, 'owner'> = {},
): Promise<SpokenAudio> {
  const choice = await speechChoice(db, teacher);
  const recorded = choice.ownVoice && (await recordedAudio(db, teacher, utterance));
  if (recorded) return { wav: recorded.wav, mark: recorded.id };
  const words = await saidWords(db, teacher);
  return byMachine(teacher, saying(words)(utterance), voiceIn(choice, utterance.language), asking);
}

/** As `spoken`, for many cues of one teacher: what they chose and recorded is looked up once. */
export async function speaks(
  db: Db,
  teacher: Speaking,
  asking: Omit<Asker, 'owner'>,
): Promise<(utterance: Utterance) => Promise<SpokenAudio>> {
  const choice = await speechChoice(db, teacher);
  const recordings = choice.ownVoice ? await recordingsOf(db, teacher) : [];
  const recorded = new Set(recordings.map(wordsKey));
  const said = saying(await saidWords(db, teacher));
  return (utterance) =>
    recorded.has(wordsKey(utterance))
      ? spoken(db, teacher, utterance, asking)
      : byMachine(teacher, said(utterance), voiceIn(choice, utterance.language), asking);
}

/**
 * A text in one voice of the machine.
 * @throws Refusal `no-voice`, `unspeakable`
 */
export async function byMachine(
  { id }: Speaking,
  utterance: Utterance,
  voiceId: VoiceId,
  asking: Omit<Asker, 'owner'> = {},
): Promise<SpokenAudio> {
  const machine = await voice();
  if (!machine) throw new Refusal('no-voice');
  const asker: Asker = { urgency: 'heard', ...asking, owner: id };
  const wav = await machine.audio(utterance, voiceId, asker);
  if (!wav) throw new Refusal('unspeakable');
  return { wav, mark: machine.mark(utterance, voiceId) };
}

const sampleSchema = z
  .object({
    cues_ms: z.number(),
    taken_ms: z.number(),
    offered_ms: z.number(),
    left_out_ms: z.number(),
    say: z.enum(SAY),
    self: z.boolean(),
  })
  .transform(
    ({ cues_ms, taken_ms, offered_ms, left_out_ms, ...talker }): TalkSample => ({
      cuesMs: cues_ms,
      takenMs: taken_ms,
      offeredMs: offered_ms,
      leftOutMs: left_out_ms,
      ...talker,
    }),
  );

/** How a teacher talked in the classes they led last, and whether they say the words themselves. */
export async function talkOfTeacher(db: Db, teacher: Speaking): Promise<Talk> {
  const [choice, rows] = await Promise.all([
    speechChoice(db, teacher),
    db('talk_samples')
      .where({ teacher_id: teacher.id, studio_id: teacher.studioId })
      .orderBy('led_at', 'desc')
      .limit(TALK_KEPT)
      .select('cues_ms', 'taken_ms', 'offered_ms', 'left_out_ms', 'say', 'self'),
  ]);
  return { self: choice.speaksSelf, samples: z.array(sampleSchema).parse(rows) };
}

/** Notes how a teacher talked in one class; a class counts once. */
export async function noteTalk(
  db: Db,
  { id, studioId }: Speaking,
  { sessionId, ledAt, ...sample }: TalkSample & { sessionId: string; ledAt: number },
): Promise<void> {
  if (sample.offeredMs === 0) return;
  await db('talk_samples')
    .insert({
      session_id: sessionId,
      studio_id: studioId,
      teacher_id: id,
      cues_ms: sample.cuesMs,
      taken_ms: sample.takenMs,
      offered_ms: sample.offeredMs,
      left_out_ms: sample.leftOutMs,
      say: sample.say,
      self: sample.self,
      led_at: new Date(ledAt),
    })
    .onConflict('session_id')
    .ignore();
}

/** Forgets what was learned, so that the factor is 1 again. */
export async function forgetTalk(db: Db, { id, studioId }: Speaking): Promise<void> {
  await db('talk_samples').where({ teacher_id: id, studio_id: studioId }).delete();
}
