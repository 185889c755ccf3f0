import { expect, it } from 'vitest';
import { soonWords } from './soon-words';

const MINUTE = 60_000;

it.each([
  [0, 'now'],
  [29_000, 'now'],
  [MINUTE, 'in 1 min'],
  [59 * MINUTE, 'in 59 min'],
  [60 * MINUTE, 'in 1 h'],
  [80 * MINUTE, 'in 1 h 20'],
  [47 * 60 * MINUTE, 'in 47 h'],
  [3 * 24 * 60 * MINUTE, 'in 3 days'],
  [-5 * MINUTE, 'began 5 min ago'],
])('%i ms before it begins: %s', (ms, words) => expect(soonWords(ms)).toBe(words));
