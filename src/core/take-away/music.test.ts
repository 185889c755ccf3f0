import { LIBRARY_BOOK } from '@library';
import { planOf } from '@testing/plans';
import { expect, it } from 'vitest';
import { compile } from '../score';
import { USUAL_SOUNDS } from '../speech';
import { heardOf, musicAt, musicUnder, piecesWanted } from '.';

const plan = planOf(
  [
    { move: 'chin-over-shoulder', rounds: 1 },
    { move: 'soft-jaw-drop', rounds: 3 },
    { move: 'tall-o-cheek-lift', rounds: 2 },
  ],
  {},
  600,
);
const shelf = new Map((['tide', 'lamp'] as const).map((id) => [id as string, { id, ms: 40_000 }]));
const compiled = (phases: object) =>
  compile({ ...plan, music: { phases, underDb: 16 } }, LIBRARY_BOOK);

it('is at a time what the pieces of the whole class are there', () => {
  const score = compiled({ warmUp: ['tide', 'lamp'], work: ['lamp'] });
  const heard = heardOf(score, { counts: true, sounds: USUAL_SOUNDS });
  const under = musicUnder(score, heard, { shelf, sounds: USUAL_SOUNDS });
  if (!under) throw new Error('no music');
  expect(under.underDb).toBe(16);
  const border = score.steps.find((s) => s.phase === 'work')?.startMs ?? 0;
  for (let ms = 0; ms < score.totalMs; ms += 500) {
    const inWork = ms >= border;
    expect(musicAt(score, ms)).toEqual({
      playlist: inWork ? ['lamp'] : ['tide', 'lamp'],
      intoMs: ms - (inWork ? border : 0),
    });
    // Whatever sounds then is of that playlist, or of the one before and on its way out.
    const sounds = under.pieces.filter((p) => ms >= p.fromMs && ms < p.toMs);
    const now = sounds.filter((p) => p.fromMs >= (inWork ? border : 0));
    for (const { id } of now) expect(musicAt(score, ms)?.playlist).toContain(id);
  }
  expect(under.pieces.every((p) => p.toMs <= score.totalMs)).toBe(true);
});

it('is nothing where there is none, and steps back no more for counts that nobody says', () => {
  expect(musicAt(compiled({}), 5000)).toBeNull();
  const none = compile(plan, LIBRARY_BOOK);
  expect(musicUnder(none, [], { shelf, sounds: USUAL_SOUNDS })).toBeNull();
  expect(piecesWanted(undefined)).toEqual([]);
  const score = compiled({ work: ['tide'], warmUp: ['tide'] });
  expect(piecesWanted(score.music)).toEqual(['tide']);
  const of = (counts: boolean) =>
    musicUnder(score, heardOf(score, { counts, sounds: USUAL_SOUNDS }), {
      shelf,
      sounds: { ...USUAL_SOUNDS, heardOn: 'hall' },
    });
  expect(of(true)?.underDb).toBe(20);
  expect(of(false)?.points.length).toBeGreaterThanOrEqual(of(true)?.points.length ?? 0);
  const gone = musicUnder(score, [], { shelf: new Map(), sounds: USUAL_SOUNDS });
  expect(gone).toBeNull();
});
