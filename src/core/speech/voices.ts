import { z } from 'zod';

/** The machine's voices a teacher can choose from, in any language. */
export const VOICES = ['plain', 'bright', 'deep', 'soft'] as const;
export type VoiceName = (typeof VOICES)[number];

/** How a teacher wants to be heard. */
export const speechChoiceSchema = z.object({
  /** The machine's voice for what is not recorded. */
  voice: z.enum(VOICES),
  /** Whether recordings come before the machine's voice. */
  ownVoice: z.boolean(),
  /** Whether the teacher says the words in class, and the voice only counts. */
  speaksSelf: z.boolean(),
});
export type SpeechChoice = z.infer<typeof speechChoiceSchema>;
