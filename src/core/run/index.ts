export * from './events';
export * from './playback';
