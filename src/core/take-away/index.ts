export * from './captions';
export * from './files';
export * from './heard';
export * from './music';
export * from './part';

/** How a class may be taken away as sound. */
export const AUDIO_FORMATS = ['mp3', 'm4a', 'opus', 'wav'] as const;
export type AudioFormat = (typeof AUDIO_FORMATS)[number];

/** How its words may be taken away. */
export const WORD_FORMATS = ['vtt', 'srt', 'chapters', 'text'] as const;
export type WordFormat = (typeof WORD_FORMATS)[number];
