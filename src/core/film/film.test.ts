import { LIBRARY_BOOK } from '@library';
import { libraryTrack } from '@library/tracks';
import { RUNS, smallPlan } from '@testing/arbitrary';
import { FILM } from '@testing/films';
import { planOf } from '@testing/plans';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Plan } from '../class';
import { actsOfScore, beginningOf, poseAt, type TrackOf } from '../face';
import { followDocument, shownIn } from '../follow';
import { LANGUAGES } from '../language';
import { compile } from '../score';
import { captionsOf, type Worded } from '../take-away';
import {
  type FilmOptions,
  FRAME_MS,
  faceSvg,
  framesOf,
  type Letters,
  linesOf,
  Scenes,
  type Still,
  stillKey,
  stillSvg,
} from '.';

const tracks: TrackOf = (id, variant) => libraryTrack(id, variant) ?? null;
const worded = (plan: Plan): Worded => {
  const score = compile(shownIn(plan), LIBRARY_BOOK);
  const ready = { plan, score, easier: null, isDrawn: () => true };
  return { score, document: followDocument(ready, LIBRARY_BOOK) };
};
/** Letters that are all half as wide as they are high. */
const letters: Letters = {
  width: (text, _, size) => (text.length * size) / 2,
  outline: (text) => `M${text.length},0`,
};

describe('what a film shows', () => {
  it('at any moment is the step, the face and the words of that moment', () => {
    fc.assert(
      fc.property(
        smallPlan(6),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.constantFrom(...LANGUAGES),
        (plan, share, language) => {
          const of = worded(plan);
          const { score } = of;
          if (score.steps.length === 0) return;
          const scenes = new Scenes({ worded: of, options: { ...FILM, language } }, tracks);
          const ms = share * score.totalMs;
          const scene = scenes.at(ms);
          // Looked for one by one.
          let index = 0;
          for (const [i, step] of score.steps.entries()) if (step.startMs <= ms) index = i;
          const step = score.steps[index];
          if (!step) throw new Error('no step');
          const gone = ms - step.startMs;
          expect(scene.index).toBe(index);
          expect(scene.countdown).toBe(Math.ceil((step.durationMs - gone) / 1000));
          expect(scene.pose).toEqual(poseAt(actsOfScore(score, tracks), index, gone));
          const shown = Math.ceil((step.startMs + step.durationMs - scene.sinceMs) / 1000);
          expect(scene.sinceMs).toBeLessThanOrEqual(ms);
          expect(shown).toBe(scene.countdown);
          expect(scene.share).toBeCloseTo(step.kind === 'work' ? gone / step.durationMs : 0);
          let cue = '';
          for (const c of captionsOf(of, language, { counts: false })) {
            if (c.startMs <= ms && c.startMs >= Math.floor(step.startMs)) cue = c.text;
          }
          expect(scene.cue).toBe(cue);
          if (step.side === 'left' && step.kind === 'work') expect(scene.halves).toEqual(['left']);
        },
      ),
      { numRuns: RUNS / 2 },
    );
  });

  it('beyond its end is as at its end, and its pictures last as long as it does', () => {
    const of = worded(planOf([{ move: 'tall-o-cheek-lift', rounds: 1 }]));
    const scenes = new Scenes({ worded: of, options: FILM }, tracks);
    expect(scenes.at(of.score.totalMs + 10_000)).toEqual(scenes.at(of.score.totalMs));
    expect(framesOf(of.score.totalMs) * FRAME_MS).toBeGreaterThanOrEqual(of.score.totalMs);
    expect((framesOf(of.score.totalMs) - 1) * FRAME_MS).toBeLessThan(of.score.totalMs);
  });

  it('beside captions has no words of its own for what is said', () => {
    const of = worded(planOf([{ move: 'tall-o-cheek-lift', rounds: 1 }]));
    const beside = new Scenes({ worded: of, options: { ...FILM, captions: 'beside' } }, tracks);
    const within = new Scenes({ worded: of, options: FILM }, tracks);
    expect(within.at(1000).cue).not.toBe('');
    expect(beside.at(1000).cue).toBe('');
  });

  it('names moves and sides in the language that was chosen', () => {
    const of = worded(planOf([{ move: 'chin-over-shoulder', rounds: 1 }]));
    const scenes = new Scenes({ worded: of, options: { ...FILM, language: 'de' } }, tracks);
    const left = of.score.steps.find((s) => s.side === 'left');
    const scene = scenes.at(left?.startMs ?? 0);
    expect(scene.side).toBe('deine linke Seite');
    expect(scene.move).toBe(of.document.moves[0]?.names.de);
  });
});

describe('how it is laid out', () => {
  it('breaks words into lines that fit, loses none where there is room, and says where it cuts', () => {
    const word = fc.string({ minLength: 1, maxLength: 12 }).filter((w) => !/\s/.test(w));
    fc.assert(
      fc.property(
        fc.array(word, { maxLength: 20 }),
        fc.integer({ min: 1, max: 5 }),
        (all, most) => {
          const width = 100;
          const size = 10;
          const lines = linesOf(all.join(' '), { font: 'text', size, width, lines: most }, letters);
          expect(lines.length).toBeLessThanOrEqual(most);
          for (const line of lines)
            expect(letters.width(line, 'text', size)).toBeLessThanOrEqual(width);
          if (lines.length < most) expect(lines.join(' ')).toBe(all.join(' '));
          else if (lines.join(' ') !== all.join(' ')) expect(lines.at(-1)).toMatch(/…$/);
        },
      ),
      { numRuns: RUNS },
    );
  });

  const of = worded(planOf([{ move: 'chin-over-shoulder', rounds: 1 }]));
  const scenes = new Scenes({ worded: of, options: FILM }, tracks);
  const still = (options: Partial<FilmOptions> = {}): Still => ({
    options: { ...FILM, ...options },
    score: of.score,
    caution: 'Stop if anything hurts.',
    letters,
  });

  it('what stands is drawn anew when its key is another, and only then', () => {
    const seen = new Map<string, string>();
    for (let ms = 0; ms < of.score.totalMs; ms += FRAME_MS) {
      const scene = scenes.at(ms);
      const key = stillKey(scene);
      const known = seen.get(key);
      if (known === undefined) seen.set(key, stillSvg(scene, still()));
      // Looking at each picture would take long.
      else if (ms % (7 * FRAME_MS) === 0) expect(stillSvg(scene, still())).toBe(known);
    }
    expect(new Set(seen.values()).size).toBe(seen.size);
    const cues = captionsOf(of, 'en', { counts: false }).length;
    const seconds = of.score.steps.reduce((n, s) => n + Math.ceil(s.durationMs / 1000), 0);
    expect(seen.size).toBeLessThanOrEqual(seconds + 2 * cues);
  });

  it('no text of a teacher comes into the picture as anything but outlines', () => {
    const evil = '<script>alert("&")</script>';
    const scene = { ...scenes.at(0), cue: evil, move: evil, next: evil };
    expect(stillSvg(scene, still())).not.toMatch(/script|alert/);
  });

  it('the face is turned round for whoever faces one, and nothing else is', () => {
    const scene = scenes.at(20_000);
    const own = faceSvg(scene, still());
    const facing = faceSvg(scene, still({ facing: true }));
    expect(facing.replace(' transform="matrix(-1 0 0 1 400 0)"', '')).toBe(own);
    expect(stillSvg(scene, still({ facing: true }))).toBe(stillSvg(scene, still()));
  });
});

it('a timer runs round the outline by its length', () => {
  // A square of curves, 40 round.
  const side = (x: number, y: number, dx: number, dy: number) =>
    `C${x + dx / 3},${y + dy / 3} ${x + (2 * dx) / 3},${y + (2 * dy) / 3} ${x + dx},${y + dy}`;
  const ring = `M0,0${side(0, 0, 10, 0)}${side(10, 0, 0, 10)}${side(10, 10, -10, 0)}${side(0, 10, 0, -10)}Z`;
  const end = (share: number) =>
    beginningOf(ring, share)
      .match(/(-?[\d.]+),(-?[\d.]+)$/)
      ?.slice(1)
      .map(Number);
  expect(end(0.125)).toEqual([5, 0]);
  expect(end(0.25)).toEqual([10, 0]);
  expect(end(0.625)).toEqual([5, 10]);
  expect(end(1)).toEqual([0, 0]);
  expect(beginningOf(ring, 0)).toBe('');
});
