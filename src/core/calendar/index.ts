export * from './conflicts';
export * from './local';
export * from './rule';
export * from './series';
