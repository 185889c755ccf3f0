export * from './from-table';
export * from './names';
