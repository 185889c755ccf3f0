export * from './cues';
export * from './differences';
export * from './edit';
export * from './merge';
export * from './parse';
export * from './plan';
