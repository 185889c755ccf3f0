export { sortedByOrder } from './order';
export { byRegion, workByArea } from './work';
