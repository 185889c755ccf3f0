export * from './guess';
export * from './plan';
export * from './read';
