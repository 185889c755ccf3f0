import { expect, it } from 'vitest';
import type { Finding } from '@/core/checks';
import type { Plan } from '@/core/class';
import { beforeLines } from './before';

const finding = (of: Partial<Finding>): Finding => ({
  check: 'slot-overrun',
  key: 'k',
  severity: 'should',
  says: 'Something',
  why: 'Because.',
  segments: ['s1', 's2'],
  ...of,
});

it('puts what could hurt somebody first, each with the one press that settles it or leads there', () => {
  const repair = { label: 'Take it out', apply: (plan: Plan) => plan };
  const lines = beforeLines('c1', {
    findings: [
      finding({ key: 'small' }),
      finding({ key: 'ask', check: 'person-to-ask', severity: 'may', says: '1 person: ask first' }),
      finding({ key: 'tight', severity: 'must', says: 'Too long' }),
      finding({ key: 'neck', severity: 'must', says: 'No neck', repair }),
    ],
    parked: [{ runId: 'r1', id: 'e1', note: 'Why?' }],
    notes: [{ id: 'n1', name: 'Priya', moveName: 'Jaw drop', note: '' }],
  });
  const compose = '/classes/c1';
  expect(lines.map(({ weight, says, act }) => [weight, says, act])).toEqual([
    ['must', 'Too long', { href: `${compose}?segment=s1`, label: 'Settle it in Compose' }],
    ['must', 'No neck', { name: 'repair', value: 'neck', label: 'Take it out' }],
    ['word', '1 person: ask first', { href: `${compose}?segment=s1`, label: 'See the move' }],
    ['word', 'Asked last time: “Why?”', { name: 'answered', value: 'r1 e1', label: 'Answered' }],
    ['know', 'Priya, Jaw drop: corrected last time', { name: 'seen', value: 'n1', label: 'Seen' }],
    [
      'know',
      '1 smaller point in the checks of the class',
      { href: compose, label: 'Look at them' },
    ],
  ]);
});

it('has nothing to say of a class in which nothing is left to settle', () => {
  expect(beforeLines('c1', { findings: [], parked: [], notes: [] })).toEqual([]);
});
