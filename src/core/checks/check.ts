import {
  cuesIn,
  losesOwnWords,
  moveIn,
  type Placed,
  type Plan,
  placedSegments,
  type ResolvedClass,
  resolve,
  type Segment,
  segmentOf,
} from '../class';
import { grouped } from '../collections';
import type { Language } from '../language';
import {
  type CarriedCaution,
  concerns,
  type Dose,
  HANDS_FREE_RELEASE,
  type Move,
  moveText,
  releaseAsMove,
} from '../move';
import type { TalkSample } from '../run';
import {
  type Book,
  dosesOfTurn,
  releaseOf,
  type Score,
  type Turn,
  turnOfStep,
  turns,
} from '../score';

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
  /** What else would help, the better first, where this one would do harm elsewhere. */
  others?: readonly Repair[];
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

/** A finding as it is told: what its repair does is worked out when somebody asks for it. */
export interface ToldFinding extends Omit<Finding, 'repair'> {
  repair?: Pick<Repair, 'label'>;
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
  /** How the teacher talked in the classes they led last, latest first, where that is known. */
  talk?: readonly TalkSample[];
  /** What the voice was asked to say and cannot, by utterance key. */
  unsaid?: ReadonlySet<string>;
}

/** A turn with the move as it is really done in it: its version, its amount, the words it is told in. */
export interface DoneTurn {
  turn: Turn;
  move: Move;
  /** How it is let go, as a move of its own; null where no hand does it. */
  release: Move | null;
  /** Time between this work and the next, in ms: release and a rest that is really played. */
  pauseMs: number;
  /** All work parts of the turn, in ms. */
  workMs: number;
}

/** What a rule sees: the class, with what several rules need worked out once. */
export interface Look extends Checked {
  /** The moves of the class, by id. */
  moves: ResolvedClass['moves'];
  nameOf: (moveId: string) => string;
  done: readonly DoneTurn[];
  /** The turns of one segment, in running order. */
  turnsOf: (segmentId: string) => readonly DoneTurn[];
}

export interface Check {
  id: string;
  /** What is looked for, in one line. */
  title: string;
  severity: Severity;
  find: (look: Look) => Omit<Finding, 'check' | 'severity'>[];
}

/** The first of some repairs, with the others behind it; nothing where there are none. */
export function firstOf(repairs: readonly (Repair | undefined | false)[]): Repair | undefined {
  const [first, ...others] = repairs.filter((r) => r !== undefined && r !== false);
  return first && { ...first, others };
}

export function lookAt(checked: Checked): Look {
  const { plan, book, score } = checked;
  const resolved = resolve(plan, book);
  const { moves } = resolved;
  const workMs = new Map<string, number>();
  for (const step of score.steps) {
    if (step.kind !== 'work') continue;
    const key = turnOfStep(step.id);
    workMs.set(key, (workMs.get(key) ?? 0) + step.durationMs);
  }
  const done = turnsDone(resolved).map((of): DoneTurn => {
    const { segment, lastInBlock, key } = of.turn;
    const pause = segment.releaseSeconds + (lastInBlock ? 0 : segment.restSeconds);
    return { ...of, pauseMs: Math.round(pause * 1000), workMs: workMs.get(key) ?? 0 };
  });
  const nameOf = (id: string) => {
    const move = moves.get(id);
    return move ? moveText(move, plan.language).name : id;
  };
  const bySegment = grouped(done, ({ turn }) => turn.segment.id);
  return { ...checked, moves, nameOf, done, turnsOf: (id) => bySegment.get(id) ?? [] };
}

/** The turns of a class as they are really done, in running order. */
function turnsDone(resolved: ResolvedClass): Pick<DoneTurn, 'turn' | 'move' | 'release'>[] {
  const { plan } = resolved;
  const ways = new Ways(plan.language);
  return turns(resolved).map((turn) => ({
    turn,
    move: ways.of(turn),
    release: turn.segment.releaseSeconds
      ? releaseAsMove(turn.done, releaseOf(turn.segment, plan, turn.done))
      : null,
  }));
}

/** The ways in which segments are done; turns that are done alike share one move. */
class Ways {
  private readonly known = new Map<string, Move>();
  private readonly worded = new Map<Segment, Map<Move, Move>>();

  constructor(private readonly language: Language) {}

  of(turn: Turn): Move {
    const { segment, variant } = turn;
    const worded = this.inWordsOf(turn);
    // Of an amount only the breath matters to a body: whether it is held, on either side.
    const held = (d: Dose) => (d.kind === 'breaths' ? d.pattern.hold + d.pattern.pause : -1);
    const [dose] = [...dosesOfTurn(turn)].sort((a, b) => held(b) - held(a));
    if (dose?.kind !== 'breaths') return worded;
    const key = `${segment.id} ${variant ?? ''} ${JSON.stringify(dose)}`;
    const paced = this.known.get(key) ?? { ...worded, dose };
    this.known.set(key, paced);
    return paced;
  }

  /** A teacher's own words may ask for what the move does not, such as a lifted chin. */
  private inWordsOf({ done, move, segment, variant, opening }: Turn): Move {
    const {
      announce: _,
      muted: _muted,
      pins: _pins,
      ...cues
    } = cuesIn(segment, move, variant) ?? {};
    const more = [...(segment.stages?.map((s) => s.words) ?? []), ...(opening ? [opening] : [])];
    const { form } = moveText(done, this.language);
    const own = { ...cues, ...(more.length && { form: [...(cues.form ?? form), ...more] }) };
    if (Object.keys(own).length === 0) return done;
    const ofSegment = this.worded.get(segment) ?? new Map<Move, Move>();
    this.worded.set(segment, ofSegment);
    const text = { ...done.text, [this.language]: { ...moveText(done, this.language), ...own } };
    const worded = ofSegment.get(done) ?? { ...done, text };
    ofSegment.set(done, worded);
    return worded;
  }
}

/** A segment with the different ways it is done in, over its rounds, and let go. */
export interface SegmentDone {
  segment: Segment;
  /** The move as the library has it. */
  move: Move;
  ways: readonly Move[];
  releases: readonly Move[];
}

/** A segment with what its turns have of ways and releases, each once. */
const segmentDone = (
  { segment, move }: Pick<SegmentDone, 'segment' | 'move'>,
  all: readonly Pick<DoneTurn, 'move' | 'release'>[],
): SegmentDone => ({
  segment,
  move,
  ways: [...new Set(all.map((d) => d.move))],
  releases: [...new Set(all.flatMap((d) => d.release ?? []))],
});

/** A repair by the easier version; it says so where words of the teacher's own give way to those of the move. */
export const inWordsOfMove = (label: string, segments: readonly Segment[], move: Move): string =>
  segments.some((segment) => losesOwnWords(segment, move))
    ? `${label}, in the words of the move`
    : label;

/** The segments of a class with all the ways in which they are done. */
export const segmentsDone = (look: Look): SegmentDone[] =>
  lines(look).map((line) => segmentDone(line, look.turnsOf(line.segment.id)));

/** The segments of a class with all the ways in which they are done, whoever is booked. Nothing is compiled for it. */
export function waysOf(plan: Plan, book: Book): SegmentDone[] {
  const resolved = resolve(plan, book);
  const bySegment = grouped(turnsDone(resolved), ({ turn }) => turn.segment.id);
  return placedSegments(plan).map(({ segment }) =>
    segmentDone(
      { segment, move: moveIn(resolved.moves, segment) },
      bySegment.get(segment.id) ?? [],
    ),
  );
}

/** A segment with where it stands and the move it names. */
export type Line = Placed & { move: Move };

/** Something that several rules ask of one look, worked out once. */
function onceFor<T>(work: (look: Look) => T): (look: Look) => T {
  const known = new WeakMap<Look, { found: T }>();
  return (look) => {
    const { found } = known.get(look) ?? { found: work(look) };
    known.set(look, { found });
    return found;
  };
}

/** The segments of a class with the moves they name. */
export const lines = onceFor((look): readonly Line[] =>
  placedSegments(look.plan).map((placed) => ({
    ...placed,
    move: moveIn(look.moves, placed.segment),
  })),
);

/** Whether anybody booked carries a caution that rules a move out as it is done. */
function ruledOut(look: Pick<Look, 'people'>, move: Move): boolean {
  return look.people.some((person) => concerns(move, person.cautions).length > 0);
}

const usedMoves = onceFor((look) => new Set(lines(look).map((l) => l.move.id)));

/** Moves of the shelf that nobody booked has to leave out, and whose kit is there. */
const openMoves = onceFor((look) =>
  look.shelf.filter(
    (move) =>
      !ruledOut(look, move) &&
      move.props.every((prop) => look.plan.kit.includes(prop)) &&
      !(look.plan.rules.skin === 'dry' && move.surface === 'glide') &&
      move.pressure !== 'strong',
  ),
);

/** A move to bring in: one that is open to everybody and that the class has not yet. */
export function moveFor(
  look: Look,
  wanted: (move: Move) => boolean,
  better: (move: Move) => number = () => 0,
): Move | undefined {
  const used = usedMoves(look);
  return openMoves(look)
    .filter((move) => !used.has(move.id) && wanted(move))
    .reduce<Move | undefined>(
      (best, move) => (best && better(best) >= better(move) ? best : move),
      undefined,
    );
}

/** The segment of a move that is brought in, let go so that nobody booked is touched where they must not be. */
export function segmentFor(look: Look, move: Move, id: string): Segment {
  const release = releaseAsMove(move, look.plan.rules.release ?? move.release);
  return {
    ...segmentOf(move, id),
    ...(release && ruledOut(look, release) && { release: HANDS_FREE_RELEASE }),
  };
}

/** The first of some edits after which a rule has nothing to say any more; the last where none helps wholly. */
export function firstThatHelps(
  look: Look,
  find: Check['find'],
  edits: () => readonly ((plan: Plan) => Plan)[],
): (plan: Plan) => Plan {
  return (plan) => {
    let tried = plan;
    for (const edit of edits()) {
      tried = edit(plan);
      if (find(lookAt({ ...look, plan: tried, score: look.compile(tried) })).length === 0) break;
    }
    return tried;
  };
}
