export * from './areas';
export * from './cautions';
export * from './dose';
export * from './move';
export * from './muscles';
export * from './points';
export * from './regions';
export * from './type-dose';
