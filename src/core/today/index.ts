export * from './marks';
export * from './who';
