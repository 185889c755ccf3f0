import { sortedByOrder, workByArea } from '../balance';
import {
  addSegment,
  freeSegmentIds,
  moveBlock,
  PHASES,
  type PhaseName,
  type Plan,
  phaseFor,
  updateSegment,
} from '../class';
import {
  AREA_NAMES,
  areasIn,
  doseMs,
  type Move,
  mainArea,
  mainRegion,
  moveText,
  PURPOSE_NAMES,
  REGION_NAMES,
  REGIONS,
  type Region,
  worksOn,
} from '../move';
import { type Check, firstThatHelps, type Look, lines, moveFor, segmentFor } from './check';

/** Adds a move of the shelf in the place it belongs to. */
export function bring(look: Look, plan: Plan, move: Move, phase = phaseFor(move)): Plan {
  const [id = 's'] = freeSegmentIds(plan, 1);
  return addSegment(plan, segmentFor(look, move, id), phase);
}

const secondsOf = (move: Move) => Math.round((doseMs(move.dose) * move.rounds) / 1000);

export const areaWithoutWork: Check = {
  id: 'area-without-work',
  title: 'A whole-face class leaves a part of the face out',
  severity: 'should',
  find: (look) => {
    if (look.plan.aim.kind !== 'whole' || look.done.length === 0) return [];
    const work = workByArea(look.score, look.moves);
    return REGIONS.filter((region) => areasIn(region).every((area) => work[area] === 0)).map(
      (region) => {
        const move = moveFor(
          look,
          (m) =>
            mainRegion(m) === region &&
            m.kind !== 'breath' &&
            m.head !== 'back' &&
            m.weeklyCap === undefined,
          (m) => -secondsOf(m),
        );
        return {
          key: `area-without-work ${region}`,
          says: `No work for ${REGION_NAMES[region]}`,
          why: move
            ? `A whole-face class works every part. ${moveText(move, look.plan.language).name} takes ${secondsOf(move)} s of work.`
            : 'A whole-face class works every part.',
          segments: [],
          ...(move && {
            repair: {
              label: `Add ${moveText(move, look.plan.language).name}`,
              apply: (plan: Plan) => bring(look, plan, move),
            },
          }),
        };
      },
    );
  },
};

/** About three moves for the focus to one for each other part (common practice). */
const FOCUS_TO_OTHER = 3;
const WORKING: readonly PhaseName[] = ['work', 'massage'];

export const focusRatio: Check = {
  id: 'focus-ratio',
  title: 'Too little of the class is about its focus or purpose',
  severity: 'should',
  find: (look) => {
    const { aim } = look.plan;
    if (aim.kind === 'whole') return [];
    const working = lines(look).filter((l) => WORKING.includes(l.phase));
    if (working.length === 0) return [];
    const serves = (move: Move) =>
      aim.kind === 'focus' ? worksOn(move, aim.areas) : move.purposes.includes(aim.purpose);
    const focused = working.filter((l) => serves(l.move));
    const others = working.filter((l) => !serves(l.move));
    const wanted =
      aim.kind === 'focus'
        ? FOCUS_TO_OTHER * mostInOneRegion(others.map((l) => l.move))
        : others.length;
    if (focused.length >= wanted) return [];
    const about =
      aim.kind === 'focus'
        ? aim.areas.map((a) => AREA_NAMES[a]).join(', ')
        : `to ${PURPOSE_NAMES[aim.purpose]}`;
    const fill = (plan: Plan): Plan => {
      let next = plan;
      for (let n = focused.length; n < wanted; n++) {
        const now = { ...look, plan: next };
        const move = moveFor(
          now,
          (m) =>
            serves(m) && WORKING.includes(phaseFor(m)) && m.head !== 'back' && m.hands !== 'firm',
          (m) => -secondsOf(m),
        );
        if (!move) break;
        next = bring(look, next, move);
      }
      return next;
    };
    const missing = wanted - focused.length;
    return [
      {
        key: 'focus-ratio',
        says: `${focused.length} of ${working.length} moves are about the ${aim.kind}`,
        why:
          aim.kind === 'focus'
            ? `Plan about three moves for the focus (${about}) to one for each other part; ${missing} more would do.`
            : `At least half of the work should help ${about}; ${missing} more would do.`,
        segments: focused.map((l) => l.segment.id),
        repair: { label: `Add ${missing} for the ${aim.kind}`, apply: fill },
      },
    ];
  },
};

function mostInOneRegion(moves: readonly Move[]): number {
  const counts = new Map<Region, number>();
  for (const move of moves) {
    const region = mainRegion(move);
    if (region) counts.set(region, (counts.get(region) ?? 0) + 1);
  }
  return Math.max(0, ...counts.values());
}

const ORDER_WORDS = {
  upward: 'This class goes from the collarbone up, and its massage drains downward.',
  downward: 'This class goes from the forehead down.',
  focus: 'This class takes its focus first.',
} as const;

export const orderAgainstSchool: Check = {
  id: 'order-against-school',
  title: 'The order over the face is not the one the class keeps',
  severity: 'may',
  find: (look) => {
    const out = WORKING.flatMap((phase) => {
      const blocks = look.plan.phases[phase];
      const wanted = sortedByOrder(look).phases[phase];
      return blocks.filter((block, i) => wanted[i] !== block).map((block) => ({ phase, block }));
    });
    if (out.length === 0) return [];
    return [
      {
        key: 'order-against-school',
        says: 'The order jumps about the face',
        why: ORDER_WORDS[look.plan.rules.order],
        segments: out.flatMap(({ block }) => block.segments.map((s) => s.id)),
        repair: {
          label: 'Put them in order',
          apply: (plan) => sortedByOrder({ plan, moves: look.moves }),
        },
      },
    ];
  },
};

/** Work on one area without another between, in ms, that a muscle takes well. Our own value. */
const SAME_AREA_MS = 180_000;

export const sameAreaInARow: Check = {
  id: 'same-area-in-a-row',
  title: 'One area works too long without a change',
  severity: 'should',
  find: function find(look): ReturnType<Check['find']> {
    const found: ReturnType<Check['find']> = [];
    let run: { area: string; ms: number; ids: string[] } = { area: '', ms: 0, ids: [] };
    const close = () => {
      const ids = [...new Set(run.ids)];
      if (run.ms > SAME_AREA_MS) {
        const area = AREA_NAMES[run.area as keyof typeof AREA_NAMES];
        found.push({
          key: `same-area-in-a-row ${ids[0]}`,
          says: `${Math.round(run.ms / 1000)} s in a row for ${area}`,
          why: 'A muscle that is tired slips out of form. Put something else between, or shorten it.',
          segments: ids,
          repair: {
            label: 'Spread it out',
            apply: firstThatHelps(look, find, () => spreads(look, ids)),
          },
        });
      }
    };
    for (const { turn, move, workMs } of look.done) {
      if (move.kind === 'breath') continue;
      const area = mainArea(move);
      if (area !== run.area) {
        close();
        run = { area, ms: 0, ids: [] };
      }
      run.ms += workMs;
      run.ids.push(turn.segment.id);
    }
    close();
    return found;
  },
};

/** Edits that break up a run of segments: another block put between, or fewer rounds. */
function spreads(look: Look, ids: readonly string[]): ((plan: Plan) => Plan)[] {
  const edits: ((plan: Plan) => Plan)[] = [];
  for (const phase of PHASES) {
    const blocks = look.plan.phases[phase];
    const inRun = blocks.filter((b) => b.segments.some((s) => ids.includes(s.id)));
    if (inRun.length < 2) continue;
    const middle = inRun[Math.floor(inRun.length / 2)];
    for (const other of blocks) {
      if (inRun.includes(other) || !middle) continue;
      edits.push((plan) => {
        const without = plan.phases[phase].filter((b) => b.id !== other.id);
        const index = without.findIndex((b) => b.id === middle.id);
        return moveBlock(plan, other.id, { phase, index });
      });
    }
  }
  const shorten = (plan: Plan, rounds: number) =>
    ids.reduce(
      (next, id) => updateSegment(next, id, (s) => ({ ...s, rounds: Math.min(s.rounds, rounds) })),
      plan,
    );
  for (const rounds of [3, 2, 1]) edits.push((plan) => shorten(plan, rounds));
  for (const share of [0.75, 0.5, 0.25]) {
    edits.push((plan) =>
      ids.reduce(
        (next, id) =>
          updateSegment(next, id, (s) =>
            s.dose.kind === 'hold'
              ? { ...s, dose: { kind: 'hold', seconds: Math.ceil(s.dose.seconds * share) } }
              : s,
          ),
        shorten(plan, 1),
      ),
    );
  }
  return edits;
}
