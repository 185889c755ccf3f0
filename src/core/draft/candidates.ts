import type { BookedPerson } from '../checks';
import {
  type Aim,
  type PhaseName,
  type Plan,
  phaseFor,
  type Rules,
  type Segment,
  segmentOf,
} from '../class';
import {
  type Caution,
  concerns,
  countOf,
  doseBeats,
  doseMs,
  doseRange,
  HANDS_FREE_RELEASE,
  inVariant,
  isTimed,
  type Move,
  type Purpose,
  presses,
  type Release,
  releaseAsMove,
  type Variant,
} from '../move';
import { turnLength, turnsOfBlock } from '../score';
import type { DraftFrom, DraftWish } from './wish';

/** A move in one amount and version that a class could have. */
export interface Candidate {
  move: Move;
  done: Move;
  variant: Variant | undefined;
  phase: PhaseName;
  segment: Segment;
  lengthMs: number;
  workMs: number;
  /** How far the amount is from what the class would like of the move; 0 as it should be. */
  off: number;
  /** Somebody's therapist has to confirm it. */
  toConfirm: boolean;
}

const SHORTER = 0.7;
const LONGER = 1.3;

/** Work with the head back, in ms, as much as the check allows. */
const MOST_HEAD_BACK_MS = 45_000;

/** How a purpose is felt: the length of the work and the rounds it would like. Ours. */
const STYLES: Partial<Record<Purpose, { dose: 'shorter' | 'longer'; rounds: -1 | 0 | 1 }>> = {
  wakeUp: { dose: 'shorter', rounds: 0 },
  calm: { dose: 'longer', rounds: -1 },
  jaw: { dose: 'longer', rounds: -1 },
  eyes: { dose: 'shorter', rounds: -1 },
  posture: { dose: 'longer', rounds: 0 },
  dePuff: { dose: 'longer', rounds: 0 },
  tone: { dose: 'longer', rounds: 1 },
  voice: { dose: 'shorter', rounds: 0 },
};
const MOST_ROUNDS = 3;

type Person = Pick<BookedPerson, 'cautions'>;

/** Cautions under which a move may still be shown to a therapist, who decides. */
const FOR_THE_THERAPIST: readonly Caution[] = ['palsy'];

interface Version {
  done: Move;
  variant: Variant | undefined;
  toConfirm: boolean;
}

/** The version of a move that everybody booked can do, or why there is none. */
export function versionForAll(
  move: Move,
  people: readonly Person[],
): Version | { against: Caution[] } {
  const against = new Set<Caution>();
  for (const variant of [undefined, 'easier'] as const) {
    if (variant && !move.variants[variant]) continue;
    const done = inVariant(move, variant);
    if (done.pressure === 'strong') continue;
    const found = people.flatMap((p) => concerns(done, p.cautions).map((c) => c.caution));
    const open = found.filter((c) => !FOR_THE_THERAPIST.includes(c));
    const toConfirm = found.length > open.length;
    // What a therapist is shown is gentle in any case.
    const harsh = toConfirm && (done.hands === 'firm' || presses(done, 'medium'));
    if (open.length === 0 && !harsh) return { done, variant, toConfirm };
    for (const caution of open) against.add(caution);
    if (harsh) against.add('palsy');
  }
  return { against: [...against] };
}

/** How a move is let go so that nobody booked is touched where they must not be. */
function releaseFor(done: Move, plan: Plan, people: readonly Person[]): Release | undefined {
  const usual = plan.rules.release ?? done.release;
  const asMove = releaseAsMove(done, usual);
  const against = (m: Move) =>
    people.some((p) => concerns(m, p.cautions).some((c) => !FOR_THE_THERAPIST.includes(c.caution)));
  return asMove && against(asMove) ? HANDS_FREE_RELEASE : undefined;
}

interface Amount {
  rounds: number;
  dose: Move['dose'];
  off: number;
}

/**
 * The amounts a move could be done in: the usual one, a shorter and a longer one where its range has
 * room, a round fewer or more. What the purpose would like costs nothing.
 */
function amounts(move: Move, aim: Aim): Amount[] {
  const [floor, ceiling] = doseRange(move, doseMs(move.dose));
  const { count, beatMs } = doseBeats(move.dose);
  const timed = isTimed(move.dose);
  const step = (timed && count >= 20) || (move.sides === 'alternating' && !timed) ? 2 : 1;
  const inSteps = (share: number) => Math.round((count * share) / step) * step;
  const style = aim.kind === 'purpose' ? STYLES[aim.purpose] : undefined;
  const doses = [{ dose: move.dose, way: 'usual' }];
  const shorter = inSteps(SHORTER);
  if (shorter >= step && shorter < count && shorter * beatMs >= floor * 1000) {
    doses.push({ dose: countOf(move.dose, shorter), way: 'shorter' });
  }
  const longer = inSteps(LONGER);
  if (style?.dose === 'longer' && longer > count && longer * beatMs <= ceiling * 1000) {
    doses.push({ dose: countOf(move.dose, longer), way: 'longer' });
  }
  const fewest = Math.max(1, move.rounds - 1);
  const most = style?.rounds === 1 ? Math.max(move.rounds, MOST_ROUNDS) : move.rounds;
  const wanted = Math.min(most, Math.max(fewest, move.rounds + (style?.rounds ?? 0)));
  const reachable = doses.some((d) => d.way === style?.dose) ? style?.dose : 'usual';
  const all: Amount[] = [];
  for (let rounds = fewest; rounds <= most; rounds++) {
    for (const { dose, way } of doses) {
      const off = Math.abs(rounds - wanted) + (way === (reachable ?? 'usual') ? 0 : 1);
      all.push({ rounds, dose, off });
    }
  }
  return all;
}

const MASSAGE_ON_OIL = ['oilToClose', 'oil'];

/** Whether what a move as it is done needs is there, and the skin is as it has to be. */
function usable(done: Move, phase: PhaseName, wish: DraftWish, rules: Rules): boolean {
  if (!done.props.every((prop) => wish.kit.includes(prop))) return false;
  if (rules.skin === 'dry' && done.surface === 'glide') return false;
  if (rules.skin === 'oil') return done.surface !== 'dry';
  const oiled = MASSAGE_ON_OIL.includes(rules.skin) && wish.kit.includes('oil');
  const late = phase === 'massage' || phase === 'close';
  return !(late && oiled && done.surface === 'dry');
}

function phasesOf(move: Move): PhaseName[] {
  if (move.kind !== 'breath') return [phaseFor(move)];
  return [move.closes ? 'close' : 'arrive'];
}

/** What a class could be made of, and what stands against the rest. */
export interface Found {
  candidates: Candidate[];
  /** Moves that only the kit or the skin stands against. */
  withoutKit: Move[];
  /** Moves that cautions stand against, by caution. */
  against: Map<Caution, Move[]>;
}

/** @param plan the class as it is before anything is in it */
export function candidatesOf(wish: DraftWish, plan: Plan, from: DraftFrom): Found {
  const { shelf, book, ...options } = from;
  const lengthOfTurn = turnLength(plan, book, options);
  const found: Found = { candidates: [], withoutKit: [], against: new Map() };
  for (const move of shelf) {
    const version = versionForAll(move, wish.people);
    if ('against' in version) {
      for (const caution of version.against) {
        found.against.set(caution, [...(found.against.get(caution) ?? []), move]);
      }
      continue;
    }
    const { done, variant, toConfirm } = version;
    for (const phase of phasesOf(move)) {
      if (!usable(done, phase, wish, plan.rules)) {
        found.withoutKit.push(move);
        continue;
      }
      const release = releaseFor(done, plan, wish.people);
      for (const { rounds, dose, off } of amounts(done, wish.aim)) {
        const segment: Segment = {
          ...segmentOf(move, 's0'),
          sides: done.sides,
          dose,
          rounds,
          ...(variant && { variant }),
          ...(release && move.releaseSeconds > 0 && { release }),
        };
        const block = { id: 'b', order: 'straight' as const, laps: 1, segments: [segment] };
        const turns = turnsOfBlock(block, phase, new Set(), new Map([[move.id, move]]));
        const lengthMs = turns.reduce((sum, t) => sum + lengthOfTurn(t), 0);
        const workMs = turns.reduce((sum, t) => sum + t.sides.length * doseMs(t.dose), 0);
        if (done.head === 'back' && workMs > MOST_HEAD_BACK_MS) continue;
        found.candidates.push({
          move,
          done,
          variant,
          phase,
          segment,
          lengthMs,
          workMs,
          off,
          toConfirm,
        });
      }
    }
  }
  return found;
}
