import type { Language } from '../language';
import {
  amountIn,
  countOf,
  type Dose,
  doseBeats,
  doseMs,
  doseRange,
  hasVariant,
  type Move,
  moveText,
  ownRange,
  traitsOf,
  type Variant,
} from '../move';
import { isListedRef, parseRef } from './cue-ref';
import { dosesIn, mapDoses } from './edit';
import { looped } from './expansion';
import { roundsOf } from './loops';
import { type Block, PHASES, type Pin, type Plan, type Segment } from './plan';
import { stagesOver } from './stages';

/** What a class says that could not be done as it is written, so that nothing is passed over in silence. */

export interface PassedOver {
  /** Where it stands in the plan, as in `['phases', 'work', 0, 'segments', 1, 'byRound']`. */
  path: (string | number)[];
  segmentId?: string;
  /** Goes on from the field's name, as in "has 3 entries for 2 rounds; …". */
  message: string;
}

type Found = Omit<PassedOver, 'path' | 'segmentId'> & { field: string };
const list = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;
const inSeconds = (ms: number) => `${Math.round(ms / 100) / 10} s`;
const longestMs = (segment: Segment): number => Math.max(...dosesIn(segment).map(doseMs));

/** A rest that nothing comes after: the block ends with it. */
function neverRests(block: Block, segment: Segment): boolean {
  if (block.segments.at(-1)?.id !== segment.id || block.oneSideFirst) return false;
  const roundsAfter = block.order === 'alternating' ? block.segments.map((s) => s.rounds) : [1];
  return roundsOf(block, segment) === 1 && Math.max(...roundsAfter) === 1;
}

/** What is wrong with a cue at a time of its own, and with which of its fields; null where nothing is. */
function pinFault(segment: Segment, move: Move, language: Language, { cue, atSeconds }: Pin) {
  const ref = parseRef(cue);
  const mostMs = longestMs(segment);
  if (atSeconds * 1000 >= mostMs) {
    const message = `says a cue at ${atSeconds} s of a work part of ${inSeconds(mostMs)}; it is said earlier or not at all`;
    return { field: 'atSeconds', message };
  }
  const words =
    ref && isListedRef(ref) ? (segment.cues?.[ref.kind] ?? moveText(move, language)[ref.kind]) : [];
  if (ref && isListedRef(ref) && ref.index < words.length) return null;
  return { field: 'cue', message: `names “${cue}”, which has no words` };
}

const isLoop = (block: Block, loop: NonNullable<Block['loops']>[number]): boolean =>
  looped({ ...block, loops: [loop] }).length > block.segments.length;

/** The dose within the range of its move as far as whole beats allow, where it has no range of its own. */
function within(dose: Dose, move: Move): Dose {
  if (ownRange(dose)) return dose;
  const [floor, ceiling] = doseRange(move, doseMs(move.dose));
  const seconds = doseMs(dose) / 1000;
  const nearest = Math.min(ceiling, Math.max(floor, seconds));
  if (nearest === seconds) return dose;
  const near = traitsOf(dose).lasting(nearest, dose);
  const isWithin = (d: Dose) => doseMs(d) >= floor * 1000 && doseMs(d) <= ceiling * 1000;
  const count = amountIn(near);
  const others = [count - 1, count + 1].filter((n) => n > 0).map((n) => countOf(near, n));
  return [near, ...others].find(isWithin) ?? near;
}

function* ofDoses(segment: Segment, move: Move): Generator<Found> {
  const { dose, byRound = [], uneven } = segment;
  const all = [
    { field: 'dose', dose },
    ...byRound.map((r, i) => ({ field: `byRound[${i}].dose`, dose: r.dose })),
    { field: 'uneven.dose', dose: uneven?.dose },
  ];
  const [floor, ceiling] = doseRange(move, doseMs(move.dose));
  for (const { field, dose: asked } of all) {
    if (!asked || within(asked, move) === asked) continue;
    const message = `is ${inSeconds(doseMs(asked))} of work; ${moveText(move).name} is done for ${floor} to ${ceiling} s`;
    yield { field, message };
  }
}

function* ofSegment(
  segment: Segment,
  { block, move, language }: { block: Block; move: Move; language: Language },
): Generator<Found> {
  const { byRound = [], cues, stages, uneven } = segment;
  const rounds = roundsOf(block, segment);
  if (byRound.length > rounds) {
    const message = `has ${list(byRound.length, 'entry', 'entries')} for ${list(rounds, 'round', 'rounds')}; take the last ones out or add rounds`;
    yield { field: 'byRound', message };
  }
  yield* ofDoses(segment, move);
  for (const [i, pin] of (cues?.pins ?? []).entries()) {
    const fault = pinFault(segment, move, language, pin);
    if (fault) yield { field: `cues.pins[${i}].${fault.field}`, message: fault.message };
  }
  if (segment.restSeconds > 0 && neverRests(block, segment)) {
    const message =
      'never comes: after the last round of a block nothing rests; use the release, or 0';
    yield { field: 'restSeconds', message };
  }
  for (const version of new Set([segment.variant, ...byRound.map((r) => r.variant)])) {
    if (!version || hasVariant(move, version)) continue;
    const message = `is "${version}", which ${moveText(move, language).name} has not; it is done as usual`;
    yield { field: 'variant', message };
  }
  const over = stages ? stagesOver(segment.dose, stages) : 0;
  if (over > 0) {
    const message = `are ${inSeconds(over)} longer than the work; make one shorter or give one a share`;
    yield { field: 'stages', message };
  }
  if (segment.dose.kind !== 'breaths' && stages?.some((s) => 'breaths' in s.length)) {
    yield { field: 'stages', message: 'are in breaths, the dose is not; give the dose in breaths' };
  }
  if (uneven && segment.sides !== 'each') {
    const message = 'needs sides that are done one after the other; set "sides" to "each"';
    yield { field: 'uneven', message };
  }
}

type MoveOf = (segment: Segment) => Move | undefined;
/** Whether something in a block is done on one side and then on the other. */
const hasSides = (block: Block, moveOf: MoveOf): boolean =>
  block.segments.some((s) => s.sides === 'each' || moveOf(s)?.sides === 'each');

function* ofBlock(block: Block, moveOf: MoveOf): Generator<Found> {
  if (block.oneSideFirst && !hasSides(block, moveOf)) {
    const message = 'changes nothing: no segment of the block has sides of its own';
    yield { field: 'oneSideFirst', message };
  }
  for (const [i, loop] of (block.loops ?? []).entries()) {
    if (isLoop(block, loop)) continue;
    const message = 'must name two segments of the block, the earlier one first';
    yield { field: `loops[${i}]`, message };
  }
}

/** A segment as it would be done anyway, and with doses that its move allows. */
function asItIsDone(given: Segment, block: Block, move: Move, language: Language): Segment {
  const segment = mapDoses(given, (dose) => within(dose, move));
  const { byRound, cues, variant, uneven, stages, ...rest } = segment;
  const has = (v: Variant | undefined) => (v && hasVariant(move, v) ? v : undefined);
  const rounds = byRound
    ?.slice(0, roundsOf(block, segment))
    .map(({ variant: own, ...round }) => ({ ...round, ...(has(own) && { variant: own }) }));
  const pins = cues?.pins?.filter((pin) => pinFault(segment, move, language, pin) === null);
  const inBreaths = stages?.some((s) => 'breaths' in s.length) && rest.dose.kind !== 'breaths';
  const alike = stages && (inBreaths || stagesOver(rest.dose, stages) > 0);
  const shared = stages
    ?.slice(0, doseBeats(rest.dose).count)
    .map((s) => ({ ...s, length: { share: 1 } }));
  return {
    ...rest,
    ...(neverRests(block, segment) && { restSeconds: 0 }),
    ...(rounds?.length && { byRound: rounds }),
    ...(cues && { cues: { ...cues, ...(cues.pins && { pins }) } }),
    ...(has(variant) && { variant }),
    ...(uneven && segment.sides === 'each' && { uneven }),
    ...(stages && { stages: alike ? shared : stages }),
  };
}

/** A block without what changes nothing in it. */
export function blockAsItIsDone(
  block: Block,
  moveOf: (segment: Segment) => Move,
  language: Language,
): Block {
  const { oneSideFirst, loops, ...rest } = block;
  const kept = loops?.filter((loop) => isLoop(block, loop));
  const next = {
    ...rest,
    ...(oneSideFirst && hasSides(block, moveOf) && { oneSideFirst }),
    ...(kept?.length && { loops: kept }),
  };
  const segments = next.segments.map((s) => asItIsDone(s, next, moveOf(s), language));
  return { ...next, segments };
}

/** All that would be passed over, in running order. Segments whose move is unknown are not looked at. */
export function passedOver(plan: Plan, moveOf: (id: string) => Move | undefined): PassedOver[] {
  const found: PassedOver[] = [];
  const own = new Map<string, Move>();
  plan.moves?.forEach((move, i) => {
    const path = ['moves', i, 'id'];
    const known = moveOf(move.id);
    if (own.has(move.id))
      found.push({ path, message: `"${move.id}" stands twice; every move needs an id of its own` });
    else if (
      known &&
      !move.id.startsWith('own-') &&
      JSON.stringify(known) !== JSON.stringify(move)
    ) {
      found.push({
        path,
        message: `"${move.id}" is a move of the library already; give yours an id of its own`,
      });
    }
    own.set(move.id, move);
  });
  const moveIn = (segment: Segment) => own.get(segment.move) ?? moveOf(segment.move);
  for (const phase of PHASES) {
    plan.phases[phase].forEach((block, b) => {
      const at = ['phases', phase, b];
      for (const { field, message } of ofBlock(block, moveIn)) {
        found.push({ path: [...at, field], segmentId: block.segments[0]?.id, message });
      }
      block.segments.forEach((segment, s) => {
        const move = moveIn(segment);
        if (!move) return;
        const { language } = plan;
        for (const { field, message } of ofSegment(segment, { block, move, language })) {
          const path = [...at, 'segments', s, field];
          found.push({ path, segmentId: segment.id, message });
        }
      });
    });
  }
  return found;
}
