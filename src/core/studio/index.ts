export * from './studio';
