export { sortedByOrder } from './order';
export { byRegion, type WithAreas, workByArea } from './work';
