export { apply, once, position, replay, replayer, undoable } from './bends';
export * from './catch-up';
export * from './due';
export * from './events';
export * from './playback';
export * from './review';
export * from './room';
export * from './spent';
export * from './talk';
