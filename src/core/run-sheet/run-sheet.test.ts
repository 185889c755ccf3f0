import { LIBRARY_BOOK } from '@library';
import { RUNS, smallPlan } from '@testing/arbitrary';
import { type Line, planOf } from '@testing/plans';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  changeRules,
  onFromTheStart,
  type Plan,
  placedSegments,
  resolve,
  updateSegment,
} from '../class';
import {
  CAUTIONS,
  type Caution,
  type CautionEffect,
  cautionsOf,
  LOCAL_CAUTIONS,
  releaseAsMove,
  touchedAreas,
  variantText,
} from '../move';
import { compile, dosesOfTurn, parseStep, releaseOf, turns } from '../score';
import { runSheetOf, type SheetLine, sheetWordsIn } from '.';

const sheetOf = (plan: Plan) => runSheetOf(plan, compile(plan, LIBRARY_BOOK), LIBRARY_BOOK);
type MoveLine = Extract<SheetLine, { dose: string }>;
const moveLines = (lines: readonly SheetLine[]): MoveLine[] =>
  lines.flatMap((line) => ('said' in line ? [] : [line]));
const linesOf = (lines: Line[], change: Partial<Plan> = {}) =>
  moveLines(sheetOf({ ...planOf(lines), ...change }).lines);
const hold = (seconds: number) => ({ kind: 'hold', seconds }) as const;

describe('the run sheet', () => {
  it('has each variant of a segment told once, in order, and lines that end where the next begins', () => {
    fc.assert(
      fc.property(smallPlan(8), (plan) => {
        const score = compile(plan, LIBRARY_BOOK);
        const { lines, totalMs } = runSheetOf(plan, score, LIBRARY_BOOK);
        const nameOf = ({ segment, variant }: Pick<MoveLine, 'segment' | 'variant'>) =>
          `${segment.id} ${variant ?? ''}`;
        const told = moveLines(lines).filter((line) => line.told);
        const done = turns(resolve(plan, LIBRARY_BOOK)).map(nameOf);
        expect(told.map(nameOf)).toEqual([...new Set(done)]);
        lines.forEach((line, i) => {
          if ('said' in line) return;
          expect(line.startMs + line.lengthMs).toBe(lines[i + 1]?.startMs ?? totalMs);
        });
        // A phase is named where it begins, and nowhere else.
        const phases = moveLines(lines).flatMap((line) => line.phase ?? []);
        expect(new Set(phases).size).toBe(phases.length);
      }),
      { numRuns: RUNS / 4 },
    );
  });

  it('says at each place in which variant, on which side and in how many rounds it is done there', () => {
    fc.assert(
      fc.property(smallPlan(8), (plan) => {
        const english = { ...plan, language: 'en' as const };
        const score = compile(english, LIBRARY_BOOK);
        for (const line of moveLines(sheetOf(english).lines)) {
          const work = score.steps.filter(
            ({ kind, startMs }) =>
              kind === 'work' && startMs >= line.startMs && startMs < line.startMs + line.lengthMs,
          );
          for (const step of work) {
            expect([step.segmentId, step.variant]).toEqual([line.segment.id, line.variant]);
          }
          const sides = new Set(work.map(({ side }) => side));
          const [one] = sides;
          if (sides.size === 1 && (one === 'left' || one === 'right')) {
            expect(line.dose).toMatch(new RegExp(`^${one}: `));
          }
          const rounds = new Set(work.map(({ id }) => parseStep(id)?.turn.round)).size;
          const said = /^(?:left: |right: )?(\d+) rounds(?: of|,)[^;]*$/.exec(line.dose);
          if (said && !line.dose.includes(', then ')) expect(Number(said[1])).toBe(rounds);
          else if (!/, then |;/.test(line.dose)) expect(rounds, line.dose).toBe(1);
        }
      }),
      { numRuns: RUNS / 4 },
    );
  });

  it('tells a round in another variant by itself', () => {
    const [move, dose] = ['smile-pulses', { kind: 'reps', reps: 30, secondsEach: 1 }] as const;
    const byRound = [{}, { variant: 'easier' as const }];
    const [usual, easier] = linesOf([{ move, rounds: 2, dose, byRound }]);
    const library = LIBRARY_BOOK.move(move);
    if (!library) throw new Error('no such move');
    const { name } = variantText(library, 'en', 'easier');
    expect(usual?.name).toBe('Smile pulses');
    expect(usual?.dose).toBe('30 times');
    expect(easier?.name).toBe(`${name} (easier version)`);
    expect(easier?.dose).toMatch(/^\d+ (seconds|times)/);
    expect(easier?.told?.setup).not.toBe(usual?.told?.setup);
  });

  it('says how a move is done also where the class goes by names', () => {
    const lines: Line[] = [{ move: 'whole-face-light-tapping', rounds: 1 }];
    const quiet = changeRules(planOf(lines), { say: 'names', explain: 'names-only' });
    const [line] = moveLines(sheetOf(quiet).lines);
    const text = LIBRARY_BOOK.move('whole-face-light-tapping')?.text.en;
    expect(line?.told?.setup).toBe(text?.setup.join(' '));
    for (const form of text?.form ?? []) expect(line?.told?.form).toContain(form);
  });

  it('is in the language of its class', () => {
    const moves: Line[] = [
      { move: 'soft-jaw-drop', rounds: 3, dose: hold(20) },
      { move: 'chin-over-shoulder', rounds: 1, sides: 'each' },
    ];
    const sheet = sheetOf({ ...planOf(moves), language: 'de' });
    expect(sheet.length).toMatch(/^\d+:\d\d von 20:00$/);
    expect(sheet.kit).toMatch(/^saubere Hände/);
    expect(sheet.caution).toMatch(/keine Heilbehandlung/);
    const lines = moveLines(sheet.lines).map(({ name, dose, phase, told }) => [
      name,
      dose,
      phase,
      told,
    ]);
    const all = JSON.stringify([lines, sheet.carried.map(({ who, what }) => [who, what])]);
    expect(all).toMatch(/3 Runden, je 20 Sekunden/);
    expect(all).not.toMatch(/\b(rounds?|seconds|works|upbeat|release|leave|version|each|side)\b/i);
  });
});

const withoutOwnWords = (plan: Plan): Plan =>
  placedSegments(plan).reduce(
    (made, { segment }) =>
      updateSegment(made, segment.id, ({ cues: _, stages: _s, ...rest }) => rest),
    plan,
  );

/** The gravest first, as a teacher would take them. */
const GRAVE: readonly CautionEffect[] = ['leaveOut', 'easier', 'askFirst', 'feather', 'checkOil'];

/** What a caution leads to in each segment, looked up turn by turn. */
function naive(plan: Plan, caution: Caution) {
  const found = new Map<string, { work: Set<CautionEffect>; handsFree: boolean; name: string }>();
  for (const turn of turns(resolve(plan, LIBRARY_BOOK))) {
    const { segment, move, done } = turn;
    const { name } = variantText(move, 'en', segment.variant);
    const entry = found.get(segment.id) ?? { work: new Set(), handsFree: false, name };
    found.set(segment.id, entry);
    for (const dose of dosesOfTurn(turn)) {
      for (const one of cautionsOf({ ...done, dose })) {
        if (one.caution === caution) entry.work.add(one.effect);
      }
    }
    if (caution === 'allergy' && onFromTheStart(plan.rules) && touchedAreas(done).length > 0) {
      entry.work.add('checkOil');
    }
    const release =
      segment.releaseSeconds > 0 && releaseAsMove(done, releaseOf(segment, plan, done));
    if (release && cautionsOf(release).some((one) => one.caution === caution)) {
      entry.handsFree = true;
    }
  }
  return [...found.values()];
}

describe('what changes for whoever carries something', () => {
  it('is what every round of the class says by itself', () => {
    const { effects, onThatPlace } = sheetWordsIn('en');
    fc.assert(
      fc.property(smallPlan(8), (plan) => {
        // A teacher's own words may ask for more than the move itself.
        const english = withoutOwnWords({ ...plan, language: 'en' });
        const { carried } = sheetOf(english);
        for (const caution of CAUTIONS) {
          const rows = carried.filter((row) => row.cautions.includes(caution));
          const wanted = naive(english, caution).flatMap(({ work, handsFree, name }) => {
            const effect = GRAVE.find((one) => work.has(one));
            return [
              ...(effect ? [{ says: effects[effect], name }] : []),
              ...(handsFree && effect !== 'leaveOut' ? [{ says: effects.handsFree, name }] : []),
            ];
          });
          expect(rows.length).toBe(wanted.length > 0 ? 1 : 0);
          for (const { says, name } of wanted) {
            const names = rows[0]?.what.split(says)[1]?.split('. ')[0];
            expect(names).toContain(name);
          }
          const local = rows[0]?.what.includes(onThatPlace) ?? false;
          expect(local).toBe(rows.length > 0 && LOCAL_CAUTIONS.includes(caution));
        }
      }),
      { numRuns: RUNS / 4 },
    );
  });

  it('puts those together that lead to the same, and is empty where nothing is in the way', () => {
    const breaths = { move: 'slow-belly-breaths', rounds: 1 } as const;
    expect(sheetOf(planOf([breaths])).carried).toEqual([]);
    const rows = sheetOf(planOf([{ move: 'closing-face-drain', rounds: 1 }])).carried;
    expect(rows.flatMap(({ cautions }) => cautions)).toContain('glands');
    const [local] = rows.filter(({ cautions }) => cautions.includes('skin'));
    expect(local?.cautions).toContain('procedure');
    expect(local?.what).toMatch(/^Where hands come to that place: Leave out: Closing face drain\./);
  });
});
