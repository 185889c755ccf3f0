export * from './estimate';
export * from './phrases';
export * from './recording';
export * from './said-words';
export * from './sounds';
export * from './speech';
export * from './voices';
export * from './wav';
