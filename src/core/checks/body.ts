import {
  allEasier,
  dosesIn,
  losesOwnWords,
  mapDoses,
  moveIn,
  type Plan,
  type Segment,
  updateSegment,
} from '../class';
import { countOf, type Dose, doseBeats, doseMs, hasVariant, isTimed, traitsOf } from '../move';
import { dosesOfTurn } from '../score';
import { type Check, type DoneTurn, firstThatHelps, type Look, lines } from './check';

export const sidesUnequal: Check = {
  id: 'sides-unequal',
  title: 'One side gets more than the other',
  severity: 'must',
  find: (look) =>
    lines(look).flatMap(({ segment, move }) => {
      const name = look.nameOf(move.id);
      // Circles one way are on both sides alike; only a side that is left out is unequal.
      if (move.sides === 'each' && segment.sides === 'together') {
        return [
          {
            key: `sides-unequal ${segment.id}`,
            says: `${name}: only one side`,
            why: 'What is done on one side is done on the other, for as long.',
            segments: [segment.id],
            repair: {
              label: 'Do both',
              apply: (plan: Plan) =>
                updateSegment(plan, segment.id, (s) => ({ ...s, sides: move.sides })),
            },
          },
        ];
      }
      if (segment.sides !== 'alternating' || !dosesIn(segment).some(odd)) return [];
      return [
        {
          key: `sides-unequal ${segment.id}`,
          says: `${name}: an odd number, left and right in turn`,
          why: 'The side that begins would get one more.',
          segments: [segment.id],
          repair: {
            label: 'Make it even',
            apply: (plan: Plan) => updateSegment(plan, segment.id, evenly),
          },
        },
      ];
    }),
};

const odd = (dose: Dose) => !isTimed(dose) && doseBeats(dose).count % 2 === 1;
/** One fewer, so that nothing gets longer; one more where only one was asked for. */
const even = (dose: Dose): Dose => {
  if (!odd(dose)) return dose;
  const { count } = doseBeats(dose);
  return countOf(dose, count === 1 ? 2 : count - 1);
};
const evenly = (segment: Segment): Segment => mapDoses(segment, even);

/** A hold of this length is let go before the next thing begins (common practice: 30 s is the usual ideal). */
const LONG_HOLD_MS = 30_000;
const USUAL_RELEASE_SECONDS = 8;

export const longHoldWithoutRelease: Check = {
  id: 'long-hold-without-release',
  title: 'A long hold runs straight on',
  severity: 'should',
  find: (look) =>
    lines(look).flatMap(({ segment, move }) => {
      if (move.kind !== 'exercise') return [];
      // A rest after the last turn of a block is not played, and any round may have a dose of its own.
      const long = look
        .turnsOf(segment.id)
        .some(
          ({ turn, pauseMs }) =>
            pauseMs === 0 &&
            dosesOfTurn(turn).some((d) => traitsOf(d).isHeld && doseMs(d) >= LONG_HOLD_MS),
        );
      if (!long) return [];
      const seconds = move.releaseSeconds || USUAL_RELEASE_SECONDS;
      return [
        {
          key: `long-hold-without-release ${segment.id}`,
          says: `${look.nameOf(move.id)}: a long hold, no release`,
          why: 'Let the muscle go, tap or stroke the place, then go on.',
          segments: [segment.id],
          repair: {
            label: `Release for ${seconds} s`,
            apply: (plan: Plan) =>
              updateSegment(plan, segment.id, (s) => ({ ...s, releaseSeconds: seconds })),
          },
        },
      ];
    }),
};

interface RunRule {
  id: string;
  title: string;
  /** Whether a turn adds to the run. */
  strains: (done: DoneTurn) => boolean;
  /** Most ms of work in a row. */
  mostMs: number;
  /** A let-go of this length ends the run, in seconds. */
  breakSeconds: number;
  says: (seconds: number) => string;
  why: string;
}

/** A strain that adds up over turns until something eases it. Values are our own, on the careful side. */
function tooLongInARow(rule: RunRule): Check {
  const find: Check['find'] = (look) => {
    const found: ReturnType<Check['find']> = [];
    let run: DoneTurn[] = [];
    const close = () => {
      const ms = run.reduce((sum, d) => sum + d.workMs, 0);
      const ids = [...new Set(run.map((d) => d.turn.segment.id))];
      if (ms > rule.mostMs && ids[0]) {
        found.push({
          key: `${rule.id} ${ids[0]}`,
          says: rule.says(Math.round(ms / 1000)),
          why: rule.why,
          segments: ids,
          repair: {
            label: wordsMayGo(look, ids) ? 'Ease it, perhaps in the words of the move' : 'Ease it',
            apply: firstThatHelps(look, find, () => eases(look, ids, rule)),
          },
        });
      }
      run = [];
    };
    for (const done of look.done) {
      if (!rule.strains(done)) {
        close();
        continue;
      }
      run.push(done);
      if (done.pauseMs >= rule.breakSeconds * 1000) close();
    }
    close();
    return found;
  };
  return { id: rule.id, title: rule.title, severity: 'must', find };
}

/** Whether words of the teacher's own would give way to those of the move, were the easier version taken. */
const wordsMayGo = (look: Look, ids: readonly string[]): boolean =>
  lines(look).some(
    ({ segment, move }) =>
      ids.includes(segment.id) && hasVariant(move, 'easier') && losesOwnWords(segment, move),
  );

/** Ways to ease a run: a longer let-go, the easier version, shorter work. */
function eases(look: Look, ids: readonly string[], rule: RunRule): ((plan: Plan) => Plan)[] {
  const all = (change: (s: Segment) => Segment) => (plan: Plan) =>
    ids.reduce((next, id) => updateSegment(next, id, change), plan);
  const eased = (s: Segment) => {
    const move = moveIn(look.moves, s);
    return hasVariant(move, 'easier') ? allEasier(s, move) : s;
  };
  const released = (s: Segment) => ({
    ...s,
    releaseSeconds: Math.max(s.releaseSeconds, rule.breakSeconds),
  });
  return [
    all(released),
    all(eased),
    ...[0.75, 0.5, 0.25].map((share) =>
      all((s) =>
        mapDoses(released(s), (dose) => {
          const less = countOf(dose, Math.max(1, Math.floor(doseBeats(dose).count * share)));
          return s.sides === 'alternating' ? even(less) : less;
        }),
      ),
    ),
  ];
}

export const firmHandsInARow = tooLongInARow({
  id: 'firm-hands-in-a-row',
  title: 'Firm hands work too long in a row',
  strains: ({ move }) => move.hands === 'firm',
  mostMs: 120_000,
  breakSeconds: 10,
  says: (s) => `Firm hands for ${s} s in a row`,
  why: 'Hands and forearms tire, and tired hands press too hard. A let-go of 10 s is enough.',
});

export const headBackInARow = tooLongInARow({
  id: 'head-back-in-a-row',
  title: 'The head stays back too long',
  strains: ({ move }) => move.head === 'back',
  mostMs: 45_000,
  breakSeconds: 8,
  says: (s) => `Head back for ${s} s in a row`,
  why: 'Bring the chin level in between, or do the chin-level version. Dizziness means stop.',
});

/** Longest held breath for anybody in a group, in seconds. Our own value, on the careful side. */
const LONGEST_HELD_BREATH_SECONDS = 10;
const SHORT_HOLD_SECONDS = 4;

export const longBreathHold: Check = {
  id: 'long-breath-hold',
  title: 'The breath is held too long',
  severity: 'must',
  find: (look) =>
    lines(look).flatMap(({ segment, move }) => {
      const longest = Math.max(
        0,
        ...look
          .turnsOf(segment.id)
          .flatMap(({ turn }) => dosesOfTurn(turn))
          .flatMap((d) => (d.kind === 'breaths' ? [d.pattern.hold, d.pattern.pause] : [])),
      );
      if (longest <= LONGEST_HELD_BREATH_SECONDS) return [];
      return [
        {
          key: `long-breath-hold ${segment.id}`,
          says: `${look.nameOf(move.id)}: breath held for ${longest} s`,
          why: 'In a group nobody holds the breath so long; dizziness means stop.',
          segments: [segment.id],
          repair: {
            label: `Hold for ${SHORT_HOLD_SECONDS} s at most`,
            apply: (plan: Plan) => updateSegment(plan, segment.id, (s) => mapDoses(s, heldShort)),
          },
        },
      ];
    }),
};

function heldShort(dose: Dose): Dose {
  if (dose.kind !== 'breaths') return dose;
  const { pattern } = dose;
  const short = (s: number) => Math.min(s, SHORT_HOLD_SECONDS);
  return {
    ...dose,
    pattern: { ...pattern, hold: short(pattern.hold), pause: short(pattern.pause) },
  };
}
