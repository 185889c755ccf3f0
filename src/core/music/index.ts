export * from './beds';
export * from './ducking';
export * from './pieces';
export * from './tracks';
export * from './under';
