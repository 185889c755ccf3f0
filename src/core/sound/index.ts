export * from './limit';
export * from './loudness';
export * from './marks';
export * from './mix';
export * from './narrow';
export * from './onset';
