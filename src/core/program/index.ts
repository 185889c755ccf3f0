export * from './program';
