export * from './estimate';
export * from './phrases';
export * from './speech';
