export * from './greeting';
export * from './marks';
export * from './who';
