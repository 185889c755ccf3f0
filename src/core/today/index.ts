export * from './who';
