export * from './date';
export * from './time';
