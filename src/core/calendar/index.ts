export * from './conflicts';
export * from './from-file';
export * from './lanes';
export * from './local';
export * from './rule';
export * from './schemas';
export * from './series';
export * from './week';
