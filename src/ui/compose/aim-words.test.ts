import { expect, it } from 'vitest';
import { changeRules, emptyPlan } from '@/core/class';
import { aimInWords } from './aim-words';

const plan = emptyPlan('A class', 1200);

it('tells the aim and the house rules of a class in one line', () => {
  expect(aimInWords(plan)).toBe(
    'Whole face, upwards, then drain down. Oil for the closing massage. Explained in full first, short after. Counted the last five, down. English.',
  );
});

it('tells a focus, a purpose and a second language', () => {
  const focus = {
    ...changeRules(plan, { order: 'focus', skin: 'dry', explain: 'names-only', counting: 'none' }),
    aim: { kind: 'focus' as const, areas: ['jaw' as const, 'mouth' as const] },
    second: { language: 'de' as const, how: 'show' as const },
  };
  expect(aimInWords(focus)).toBe(
    'For jaw, mouth, the focus first. Dry throughout. Explained names only. Counted not aloud. English, German beside it.',
  );
  const calm = { ...plan, aim: { kind: 'purpose' as const, purpose: 'calm' as const } };
  expect(aimInWords(calm)).toMatch(/^To calm down, upwards/);
});
