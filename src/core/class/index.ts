export * from './edit';
export * from './parse';
export * from './plan';
