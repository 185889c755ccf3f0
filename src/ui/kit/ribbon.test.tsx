import { LIBRARY, LIBRARY_BOOK, libraryMove } from '@library';
import { planOf } from '@testing/plans';
import { renderToStaticMarkup } from 'react-dom/server';
import { expect, it } from 'vitest';
import { compile } from '@/core/score';
import { MovesProvider } from './moves';
import { Ribbon } from './ribbon';

/** The drawings that cover a moment, of those in one piece of a page. */
const covering = (html: string, atMs: number): string[] =>
  [...html.matchAll(/<path d="([^"]*)"([^>]*)>/g)].flatMap(([, d = '', look = '']) => {
    const covers = [...d.matchAll(/M([\d.]+) 0h([\d.]+)v1h-\2z/g)].some(
      ([, from, length]) => atMs >= Number(from) && atMs < Number(from) + Number(length),
    );
    return covers ? [look] : [];
  });

it('the line of a class shows at each moment what is done then', () => {
  const plan = planOf([
    { move: 'slow-belly-breaths', rounds: 1 },
    { move: 'chest-circles', rounds: 2 },
    { move: 'tall-o-cheek-lift', rounds: 3 },
    { move: 'chin-over-shoulder', rounds: 2 },
    { move: 'soft-jaw-drop', rounds: 2 },
  ]);
  const score = compile(plan, LIBRARY_BOOK);
  expect([...new Set(score.steps.map((s) => s.kind))].sort()).toEqual([
    'release',
    'switch',
    'upbeat',
    'work',
  ]);
  const html = renderToStaticMarkup(
    <MovesProvider moves={LIBRARY}>
      <Ribbon score={score} />
    </MovesProvider>,
  );
  const [line = '', ...lanes] = html.split('<svg').slice(1);
  const hatched = [...(/polygon\(([^)]*)\)/.exec(line)?.[1] ?? '').matchAll(/([\d.]+)% 0(?=,|$)/g)];
  const wholeMs = Math.max(score.totalMs, score.slotMs);
  for (const step of score.steps) {
    const middle = step.startMs + step.durationMs / 2;
    const move = libraryMove(step.moveId);
    const [fill = '', ...more] = covering(line, middle);
    expect(more).toEqual([]);
    const isPale = ['release', 'rest'].includes(step.kind);
    expect(fill).toContain(`--kind-${move?.kind}${isPale ? '-pale' : ''})`);
    // Each stretch goes down at its beginning and comes up at its end.
    const before = hatched.filter(([, x]) => (Number(x) / 100) * wholeMs < middle).length;
    expect(before % 2 === 1).toBe(['upbeat', 'switch'].includes(step.kind));
    const most = Math.max(...Object.values(move?.areas ?? {}));
    const seen = lanes.map((lane) => covering(lane, middle).length);
    expect(seen.some((n) => n === 1)).toBe(step.kind === 'work' && most > 0);
    expect(Math.max(...seen)).toBeLessThan(2);
  }
  expect(covering(line, score.totalMs + 1)).toEqual([]);
});
