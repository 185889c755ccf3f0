/** The machine's voices a teacher can choose from, in any language. */
export const VOICES = ['plain', 'bright', 'deep', 'soft'] as const;
export type VoiceName = (typeof VOICES)[number];
