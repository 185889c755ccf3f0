export * from './counted';
export * from './drawn';
export * from './explain';
export * from './fold';
export { dateOfDay, dayOfDate, daysIn, type History, type Meeting, type Span } from './history';
export * from './rule';
export * from './shipped';
export type { Because, Unit } from './units';
export { EXCUSE_NAMES, streakWordsIn } from './words';
