export * from './beat-line';
