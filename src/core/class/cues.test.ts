import { LIBRARY_BOOK, libraryMove } from '@library';
import { planOf } from '@testing/plans';
import { describe, expect, it } from 'vitest';
import { type Move, moveText, variantText } from '@/core/move';
import { compile } from '@/core/score';
import {
  allEasier,
  changeRules,
  isMovable,
  isOwn,
  isWritable,
  libraryWords,
  losesOwnWords,
  muteCue,
  type Plan,
  pinCue,
  placedSegments,
  resolve,
  type Segment,
  unmuteCue,
  updateSegment,
  withEasier,
  writeCue,
} from '.';

const move = libraryMove('smile-pulses');
if (!move) throw new Error('the library lost smile-pulses');
const words = moveText(move, 'en');
const plan = planOf([{ move: 'smile-pulses', rounds: 2 }]);
const base = placedSegments(plan)[0]?.segment as Segment;
const scoreOf = (segment: Segment, of: Plan = plan) =>
  compile(
    updateSegment(of, 's1', () => segment),
    LIBRARY_BOOK,
  );
const texts = (segment: Segment) => scoreOf(segment).cues.map((c) => c.text);

describe('the words of a segment', () => {
  it('are written cue by cue and given back', () => {
    const own = writeCue(base, words, 'setup:1', 'My own sentence.');
    expect(own.cues?.setup?.[0]).toBe(words.setup[0]);
    expect(texts(own)).toContain('My own sentence.');
    expect(isOwn(own, 'setup:0')).toBe(true);
    expect(libraryWords(own, 'setup:1')).toEqual(base);
  });

  it('an emptied sentence is taken out, and what refers to later ones follows', () => {
    const pinned = muteCue(pinCue(base, 'form:2', 7), 'form:1');
    const without = writeCue(pinned, words, 'form:0', ' ');
    expect(without.cues?.form).toEqual(words.form.slice(1));
    expect(without.cues?.pins).toEqual([{ cue: 'form:1', atSeconds: 7 }]);
    expect(without.cues?.muted).toEqual(['form:0']);
  });

  it('a single cue that is emptied gets the words of the library back', () => {
    const own = writeCue(base, words, 'letGo', 'Done.');
    expect(texts(own)).toContain('Done.');
    expect(writeCue(own, words, 'letGo', '')).toEqual(base);
  });

  it('the last sentence of a list stays', () => {
    const one = { ...base, cues: { setup: ['Only this.'] } };
    expect(writeCue(one, words, 'setup:0', '')).toEqual(one);
  });

  it('only some cues are written or moved', () => {
    expect(['announce', 'form:0', 'count', 'side'].map(isWritable)).toEqual([
      true,
      true,
      false,
      false,
    ]);
    expect(['announce', 'form:0', 'setup:2'].map(isMovable)).toEqual([false, true, true]);
  });
});

describe('muting', () => {
  it.each(['announce', 'setup:0', 'short', 'form:0', 'letGo', 'count'])('leaves %s out', (ref) => {
    const said = scoreOf(base).cues.filter((c) => c.ref === ref);
    expect(said.length).toBeGreaterThan(0);
    expect(scoreOf(muteCue(base, ref)).cues.filter((c) => c.ref === ref)).toEqual([]);
    expect(unmuteCue(muteCue(base, ref), ref)).toEqual(base);
  });

  it('an announcement that is not made takes no time', () => {
    expect(scoreOf(muteCue(base, 'announce')).totalMs).toBeLessThan(scoreOf(base).totalMs);
  });

  it('a muted reminder gives its place to another', () => {
    const forms = scoreOf(muteCue(base, 'form:0')).cues.filter((c) => c.kind === 'form');
    expect(forms.length).toBeGreaterThan(0);
  });
});

describe('moving a cue', () => {
  it('says a reminder at its time in every round', () => {
    const forms = scoreOf(pinCue(base, 'form:1', 9)).cues.filter((c) => c.ref === 'form:1');
    expect(forms.map((c) => c.offsetMs)).toEqual([9000, 9000]);
  });

  it('says a sentence of the set-up in the work, the first time only, and shortens the upbeat by it', () => {
    const score = scoreOf(pinCue(base, 'setup:0', 4));
    const said = score.cues.filter((c) => c.ref === 'setup:0');
    expect(said.map((c) => [score.steps[c.step]?.kind, c.offsetMs])).toEqual([['work', 4000]]);
    expect(score.steps[0]?.durationMs).toBeLessThan(scoreOf(base).steps[0]?.durationMs ?? 0);
  });

  it('goes to the nearest free place where a count is due', () => {
    const up = changeRules(plan, { counting: 'last-five' });
    const score = scoreOf(pinCue(base, 'form:0', 18), up);
    const cues = score.cues.filter((c) => c.step === 1).toSorted((a, b) => a.startMs - b.startMs);
    cues.forEach((cue, i) => {
      const before = cues[i - 1];
      if (before)
        expect(cue.startMs).toBeGreaterThanOrEqual(before.startMs + before.durationMs + 250);
    });
  });

  it('is placed by the score again', () => {
    expect(pinCue(pinCue(base, 'form:1', 9), 'form:1', null)).toEqual(base);
  });
});

describe('what was written for one variant', () => {
  const jaw = libraryMove('smile-pulses') as Move;
  const easier = variantText(jaw, 'en', 'easier');
  const written = pinCue(
    muteCue(
      {
        ...base,
        cues: {
          announce: 'Now the big one.',
          setup: ['Press as hard as you can.', 'And harder.'],
          short: 'Press again.',
          form: ['Eyes soft, please.'],
        },
      },
      'setup:0',
    ),
    'setup:1',
    4,
  );
  const inFull = (all: readonly string[]) => {
    expect(all).toEqual(expect.arrayContaining(easier.setup));
    expect(all.filter((text) => /harder|Press/.test(text))).toEqual([]);
  };

  it('is not said where the class is made easier: that is said in words of its own', () => {
    const made = withEasier(
      resolve(
        updateSegment(plan, 's1', () => written),
        LIBRARY_BOOK,
      ),
    );
    const said = compile(made, LIBRARY_BOOK).cues.map((c) => c.text);
    inFull(said);
    // The name it is announced by and reminders that the variant has no others for stay.
    expect(said).toEqual(expect.arrayContaining(['Now the big one.', 'Eyes soft, please.']));
  });

  it('is not said in a round that is done in another variant', () => {
    const second = { ...written, byRound: [{ variant: 'easier' as const }, {}] };
    const score = scoreOf(second);
    const inRound = (round: number) =>
      score.cues.flatMap(({ step, text }) => (score.steps[step]?.round === round ? text : []));
    inFull(inRound(1));
    expect(inRound(2)).toContain('And harder.');
  });

  it('stands for every round of the variant that it was written for', () => {
    const all = { ...written, variant: 'easier' as const };
    expect(texts(all)).toEqual(expect.arrayContaining(['And harder.', 'Press again.']));
    expect(allEasier(all, jaw)).toEqual(all);
    expect(losesOwnWords(all, jaw)).toBe(false);
    expect(losesOwnWords(written, jaw)).toBe(true);
    expect(losesOwnWords({ ...base, cues: { announce: 'Now.' } }, jaw)).toBe(false);
    const stages = [
      { words: 'Half a smile.', length: { seconds: 10 } },
      { words: 'And now all of it.', length: { seconds: 10 } },
    ];
    expect(allEasier({ ...base, stages }, jaw).stages).toBeUndefined();
    expect(losesOwnWords({ ...base, stages }, jaw)).toBe(true);
    const easierStages: Segment = { ...base, stages, variant: 'easier' };
    expect(allEasier(easierStages, jaw)).toEqual(easierStages);
  });
});
