export * from './loudness';
