export * from './date';
export * from './time';
export * from './wall-clock';
