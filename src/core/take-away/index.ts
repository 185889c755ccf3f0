export * from './captions';
export * from './files';
export * from './heard';
export * from './music';
export * from './part';
export * from './progress';

/** How a class may be taken away as sound. */
export const AUDIO_FORMATS = ['mp3', 'm4a', 'opus', 'wav'] as const;
export type AudioFormat = (typeof AUDIO_FORMATS)[number];

/** About how many bytes a ms of sound has, where nobody can say how long the file will be. */
export const BYTES_A_MS: Record<AudioFormat, number> = { mp3: 4.5, m4a: 6, opus: 3.5, wav: 44.1 };

/** How its words may be taken away. */
export const WORD_FORMATS = ['vtt', 'srt', 'chapters', 'text'] as const;
export type WordFormat = (typeof WORD_FORMATS)[number];
