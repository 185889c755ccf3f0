export * from './clock';
export * from './code';
export * from './document';
export * from './personal';
export * from './shown';
