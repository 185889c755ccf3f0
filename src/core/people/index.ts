export * from './check-in';
export * from './from-table';
export * from './names';
export * from './practice';
