export * from './catch-up';
export * from './events';
export * from './playback';
export * from './review';
export * from './room';
export * from './spent';
export * from './talk';
