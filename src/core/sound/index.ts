export * from './loudness';
export * from './mix';
