import { PHASES, type Plan, placedSegments } from '../class';
import { clock } from '../formats';
import {
  AREA_NAMES,
  CAUTION_NAMES,
  type Caution,
  concerns,
  type Move,
  mainRegion,
  PURPOSE_NAMES,
  REGION_NAMES,
  type Region,
  worksOn,
} from '../move';
import type { Candidate, Found } from './candidates';
import { type Drafted, type DraftWish, serves } from './wish';

const people = (n: number) => (n === 1 ? 'one person' : `${n} people`);
const carrying = (wish: DraftWish, caution: Caution) =>
  wish.people.filter((p) => p.cautions.some((c) => c.caution === caution)).length;

/** A class this much of its slot is full. */
const FULL = 0.97;

/** What the teacher should know of a draft as a whole. */
export function notesOf(
  made: Omit<Drafted, 'notes'>,
  of: { wish: DraftWish; found: Found; shelf: readonly Move[]; lengthMs: number },
): string[] {
  const { wish, found, shelf, lengthMs } = of;
  const notes: string[] = [];
  const used = new Set(placedSegments(made.plan).map((p) => p.segment.move));
  const palsy = carrying(wish, 'palsy');
  if (palsy) {
    notes.push(
      `Show this class to the therapist of ${people(palsy)} first: only what the therapist set.`,
    );
  }
  const massages = found.candidates.some((c) => c.phase === 'massage' && used.has(c.move.id));
  const drains = found.candidates.some(
    (c) => used.has(c.move.id) && c.phase === 'massage' && c.done.demands.includes('drain'),
  );
  if (massages && !drains)
    notes.push(`The massage does not end by draining: ${noDrain(wish, shelf)}.`);
  if (!made.proved) {
    notes.push('The search was stopped before it could prove that no better class could be made.');
  }
  const slotMs = wish.slotSeconds * 1000;
  if (lengthMs < FULL * slotMs) {
    notes.push(`It lasts ${clock(lengthMs)} of ${clock(slotMs)}; kit and cautions leave no more.`);
  }
  return notes;
}

/** Why no drain could be had. */
function noDrain(wish: DraftWish, shelf: readonly Move[]): string {
  const drains = shelf.filter((m) => m.demands.includes('drain'));
  const against = drains.flatMap((m) =>
    wish.people.flatMap((p) => concerns(m, p.cautions).map((c) => c.caution)),
  );
  const cautions = [...new Set(against)].map((c) => CAUTION_NAMES[c]);
  if (cautions.length) return `somebody booked carries ${cautions.join('; ')}`;
  return drains.length ? 'what it takes is not at hand' : 'there is no such move';
}

/** What stands in the way of any class. */
export function missingFor(found: Found, wish: DraftWish): string[] {
  const missing: string[] = [];
  const byMost = [...found.against].sort(([, a], [, b]) => b.length - a.length);
  for (const [caution, moves] of byMost.slice(0, 3)) {
    missing.push(`${CAUTION_NAMES[caution]}: leaves out ${moves.length} moves`);
  }
  if (found.withoutKit.length) {
    missing.push(`kit and skin: leave out ${new Set(found.withoutKit).size} moves`);
  }
  const left = new Set(found.candidates.map((c) => c.move.id)).size;
  missing.push(
    left === 0
      ? 'no move is left'
      : `${left} moves are left, too few for ${Math.round(wish.slotSeconds / 60)} minutes of this aim`,
  );
  return missing;
}

export function reasonsOf(
  plan: Plan,
  wish: DraftWish,
  chosen: readonly Candidate[],
): Map<string, string> {
  const byMove = new Map(chosen.map((c) => [c.move.id, c]));
  const covered = new Set<Region>();
  return new Map(
    PHASES.flatMap((phase) =>
      plan.phases[phase].flatMap((block) =>
        block.segments.map((segment): [string, string] => {
          const candidate = byMove.get(segment.move);
          return [segment.id, candidate ? reasonOf(candidate, wish, covered) : ''];
        }),
      ),
    ),
  );
}

function reasonOf(
  { move, done, variant, phase, toConfirm }: Candidate,
  wish: DraftWish,
  covered: Set<Region>,
): string {
  const words: string[] = [];
  if (phase === 'arrive') words.push('to arrive');
  if (phase === 'close') words.push('a quiet end');
  if (done.demands.includes('drain')) words.push('drains at the end');
  if (wish.aim.kind === 'focus' && serves(wish.aim, move)) {
    const area = wish.aim.areas.find((a) => worksOn(move, [a]));
    words.push(`for the focus: ${area ? AREA_NAMES[area] : 'here'}`);
  }
  if (wish.aim.kind === 'purpose' && serves(wish.aim, move)) {
    words.push(`helps to ${PURPOSE_NAMES[wish.aim.purpose]}`);
  }
  const region = mainRegion(done);
  if (words.length === 0 && region && !covered.has(region))
    words.push(`the first work for: ${REGION_NAMES[region]}`);
  if (region) covered.add(region);
  if (words.length === 0)
    words.push(
      phase === 'warmUp'
        ? 'warms up'
        : `more for: ${region ? REGION_NAMES[region] : 'the whole face'}`,
    );
  if (variant === 'easier') words.push('the easier version suits everybody');
  if (toConfirm) words.push('for a therapist to confirm');
  const newcomers = wish.people.filter((p) => !p.met.has(move.id)).length;
  const all = wish.people.length;
  if (all && newcomers === 0) words.push('everybody knows it');
  else if (newcomers > 0)
    words.push(newcomers === all ? 'new to everybody' : `new to ${newcomers}`);
  const lately = wish.recent.includes(move.id);
  if (wish.recent.length && !lately && newcomers < all) words.push('not done lately');
  return words.join('; ');
}
