export * from './acts';
export { type Drawing, geometry, PARTS, type PartName, patchesOf, placesOf } from './geometry';
export { type HandDrawing, handsIn } from './hands';
export { lineThrough, type Point } from './path';
export * from './points';
export * from './pose';
export * from './sketch';
export * from './still';
export * from './track';
