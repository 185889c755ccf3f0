import { type Plan, placedSegments } from '../class';
import { type CarriedCaution, concerns, inVariant, type Move, moveText } from '../move';
import { type Book, type Score, type Turn, turns } from '../score';

/** Must: somebody could be hurt or the promise broken. Should: the class would be better. May: good to know. */
export const SEVERITIES = ['must', 'should', 'may'] as const;
export type Severity = (typeof SEVERITIES)[number];

/** Somebody booked on the class, as far as a check needs to know them. */
export interface BookedPerson {
  id: string;
  name: string;
  cautions: readonly CarriedCaution[];
  /** Ids of the moves they have met. */
  met: ReadonlySet<string>;
}

export interface Repair {
  /** What the button says. */
  label: string;
  /** A pure edit of the class. */
  apply: (plan: Plan) => Plan;
}

export interface Finding {
  check: string;
  /** Unique among the findings of one class, and stable while it is edited. */
  key: string;
  severity: Severity;
  /** A few words. */
  says: string;
  /** A sentence: why it matters or what to do. */
  why: string;
  /** Ids of the segments concerned, in running order. */
  segments: string[];
  /** Names that only the teacher should see. */
  people?: string[];
  repair?: Repair;
  /** The slot is too short: fitting the class to it is the repair. */
  fit?: boolean;
}

/** What the checks look at. */
export interface Checked {
  plan: Plan;
  score: Score;
  book: Book;
  /** Moves that a repair may bring in. */
  shelf: readonly Move[];
  people: readonly BookedPerson[];
  /** Most sessions of this class in one ISO week. */
  sessionsAWeek: number;
  compile: (plan: Plan) => Score;
}

/** A turn with the move as it is really done in it. */
export interface DoneTurn {
  turn: Turn;
  move: Move;
  /** All work parts of the turn, in ms. */
  workMs: number;
}

/** What a rule sees: the class, with what several rules need worked out once. */
export interface Look extends Checked {
  moveOf: (id: string) => Move | undefined;
  nameOf: (moveId: string) => string;
  done: readonly DoneTurn[];
}

export interface Check {
  id: string;
  /** What is looked for, in one line. */
  title: string;
  severity: Severity;
  find: (look: Look) => Omit<Finding, 'check' | 'severity'>[];
}

export function lookAt(checked: Checked): Look {
  const { plan, book, score } = checked;
  const own = new Map(plan.moves?.map((m) => [m.id, m]));
  const moveOf = (id: string) => own.get(id) ?? book.move(id);
  const workMs = new Map<string, number>();
  for (const step of score.steps) {
    if (step.kind !== 'work') continue;
    const key = step.id.slice(0, step.id.lastIndexOf('.work.'));
    workMs.set(key, (workMs.get(key) ?? 0) + step.durationMs);
  }
  const done = turns(plan).flatMap((turn): DoneTurn[] => {
    const move = moveOf(turn.segment.move);
    if (!move) return [];
    return [{ turn, move: inVariant(move, turn.variant), workMs: workMs.get(turn.key) ?? 0 }];
  });
  const nameOf = (id: string) => {
    const move = moveOf(id);
    return move ? moveText(move, plan.language).name : id;
  };
  return { ...checked, moveOf, nameOf, done };
}

/** The segments of a class with the moves they name. */
export function lines(look: Look) {
  return placedSegments(look.plan).flatMap((placed) => {
    const move = look.moveOf(placed.segment.move);
    return move ? [{ ...placed, move }] : [];
  });
}

/** Whether anybody booked carries a caution that rules a move out as it is done. */
export function ruledOut(look: Pick<Look, 'people'>, move: Move): boolean {
  return look.people.some((person) => concerns(move, person.cautions).length > 0);
}

/** A move to bring in: nobody booked has to leave it out, its kit is there, and the class has it not yet. */
export function moveFor(
  look: Look,
  wanted: (move: Move) => boolean,
  better: (move: Move) => number = () => 0,
): Move | undefined {
  const used = new Set(lines(look).map((l) => l.move.id));
  const fits = look.shelf.filter(
    (move) =>
      wanted(move) &&
      !used.has(move.id) &&
      !ruledOut(look, move) &&
      move.props.every((prop) => look.plan.kit.includes(prop)) &&
      !(look.plan.rules.skin === 'dry' && move.surface === 'glide') &&
      move.pressure !== 'strong',
  );
  return fits.reduce<Move | undefined>(
    (best, move) => (best && better(best) >= better(move) ? best : move),
    undefined,
  );
}

/** The first of some edits after which a rule has nothing to say any more; the last where none helps wholly. */
export function firstThatHelps(
  look: Look,
  find: Check['find'],
  edits: readonly ((plan: Plan) => Plan)[],
): (plan: Plan) => Plan {
  return (plan) => {
    let tried = plan;
    for (const edit of edits) {
      tried = edit(plan);
      if (find(lookAt({ ...look, plan: tried, score: look.compile(tried) })).length === 0) break;
    }
    return tried;
  };
}
