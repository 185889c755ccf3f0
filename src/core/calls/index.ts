export * from './answers';
export { addressOf, type Call } from './call';
export * from './calls';
export { musicNameSchema } from './music-calls';
export { REFUSALS, Refusal, type RefusalCode, tooManyTries, waitWords } from './refusals';
