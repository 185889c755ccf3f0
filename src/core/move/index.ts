export * from './areas';
export * from './dose';
export * from './move';
