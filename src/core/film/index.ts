export * from './frame';
export * from './options';
export * from './scene';
