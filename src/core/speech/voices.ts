import { z } from 'zod';
import { LANGUAGES, type Language } from '../language';
import { soundsSchema } from './sounds';

/** The voices of the program that is always there; they speak any language. */
export const VOICES = ['plain', 'bright', 'deep', 'soft'] as const;
/** Who speaks where nothing else was chosen, or what was chosen cannot. */
export const USUAL_VOICE = 'plain';

/** What a voice is known by: one of `VOICES`, or one that a machine has besides. */
export const voiceIdSchema = z.string().regex(/^[a-z0-9][a-z0-9-]{0,39}$/, 'This is no voice.');
export type VoiceId = z.infer<typeof voiceIdSchema>;

/** A voice that a machine has. */
export const voiceOfferSchema = z.object({
  id: voiceIdSchema,
  /** What it is called on screens. */
  name: z.string(),
  languages: z.array(z.enum(LANGUAGES)),
});
export type VoiceOffer = z.infer<typeof voiceOfferSchema>;

/** What a device calls one of its own voices. */
export const deviceVoiceSchema = z.string().trim().min(1).max(120);
/** Voices of a device, by the language they are chosen for. */
export const deviceVoicesSchema = z.partialRecord(z.enum(LANGUAGES), deviceVoiceSchema);
export type DeviceVoices = z.infer<typeof deviceVoicesSchema>;

/** How a teacher wants to be heard. */
export const speechChoiceSchema = z.object({
  /** The machine's voice for what is not recorded, where a language has none of its own. */
  voice: z.enum(VOICES),
  /** The machine's voice in a language. */
  voices: z.partialRecord(z.enum(LANGUAGES), voiceIdSchema),
  /** The voice of the device that leads, in place of the machine's, where that device has it. */
  deviceVoices: deviceVoicesSchema.prefault({}),
  /** Whether recordings come before the machine's voice. */
  ownVoice: z.boolean(),
  /** Whether the teacher says the words in class, and the voice only counts. */
  speaksSelf: z.boolean(),
  sounds: soundsSchema.prefault({}),
});
export type SpeechChoice = z.infer<typeof speechChoiceSchema>;

/** Whose voice is heard in a language. */
export const voiceIn = ({ voice, voices }: SpeechChoice, language: Language): VoiceId =>
  voices[language] ?? voice;
