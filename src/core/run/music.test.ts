import { LIBRARY_BOOK } from '@library';
import { planOf } from '@testing/plans';
import { expect, it } from 'vitest';
import type { ClassMusic } from '../class';
import { compile } from '../score';
import { advance, apply, musicNow, musicThroughout, ready } from '.';

const moves = [
  { move: 'chin-over-shoulder', rounds: 1 },
  { move: 'soft-jaw-drop', rounds: 2 },
  { move: 'tall-o-cheek-lift', rounds: 1 },
];
const score = compile(planOf(moves, {}, 600), LIBRARY_BOOK);
const phases = [...new Set(score.steps.map((step) => step.phase))];
const firstOf = (phase: string) => score.steps.find((step) => step.phase === phase)?.startMs ?? 0;
const music: ClassMusic = { phases: { warmUp: ['tide'], work: ['lamp'] }, underDb: 20 };
const started = () => apply(ready(score), { id: 'a', type: 'started', at: 1000 });

it('is the playlist of the phase, for as long as the class has been in it', () => {
  expect(phases).toEqual(['warmUp', 'work']);
  for (let ms = 0; ms < score.totalMs; ms += 777) {
    const now = musicNow(advance(started(), 1000 + ms), music);
    const inWork = ms >= firstOf('work');
    expect(now).toEqual({
      playlist: [inWork ? 'lamp' : 'tide'],
      intoMs: ms - (inWork ? firstOf('work') : 0),
    });
  }
});

it('goes on over phases that have the same, and is silent where there is none, before, in a pause and after', () => {
  const throughout = musicThroughout(['tide'], music);
  const ms = firstOf('work') + 2000;
  const inWork = advance(started(), 1000 + ms);
  expect(musicNow(inWork, throughout)).toEqual({ playlist: ['tide'], intoMs: ms });
  expect(musicNow(inWork, musicThroughout([], music))).toBeNull();
  expect(musicNow(inWork, { ...music, phases: { warmUp: ['tide'] } })).toBeNull();
  expect(musicNow(inWork, undefined)).toBeNull();
  expect(musicNow(ready(score), throughout)).toBeNull();
  const paused = apply(inWork, { id: 'b', type: 'paused', at: 1000 + ms });
  expect(musicNow(paused, throughout)).toBeNull();
  expect(musicNow(advance(started(), 1000 + score.totalMs + 1), throughout)).toBeNull();
});
