export * from './beds';
export * from './ducking';
export * from './pieces';
export * from './shelf';
export * from './under';
