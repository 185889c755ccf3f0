import { type Plan, resolve, type Segment } from '../class';
import {
  estimateSpeech,
  type SpeechMeter,
  type SpeechSource,
  type Utterance,
  utteranceKey,
} from '../speech';
import {
  type At,
  type Book,
  type CompileOptions,
  joined,
  lengthsOf,
  type Placed,
  placed,
  scoringOf,
} from './compile';
import { type Piece, pieceOf, type Scoring } from './piece';
import type { Score, Spare } from './score';
import { sparesOf } from './spares';
import type { Length } from './timing';
import { type Turn, turns } from './turns';

export interface RecompileOptions extends Pick<CompileOptions, 'room' | 'talkingFactor'> {
  /** Spoken lengths that were measured, in ms by utterance key. */
  lengths: ReadonlyMap<string, number>;
  /** The length of what was not measured. */
  estimate?: SpeechMeter;
}

export interface Recompiled {
  score: Score;
  /** What the class says whose length is only estimated. */
  unknown: Utterance[];
}

/** Lengths that note which of them were measured. */
interface Noting {
  length: Length;
  known: boolean;
  unknown: Map<string, Utterance>;
}

/** A piece, what it was made from, and where it stood last. */
interface Kept {
  piece: Piece;
  noting: Noting;
  move: Turn['move'];
  at: At;
  there: Placed;
}

/** What every turn has in common, as long as neither language nor rules change. */
interface Session extends Pick<Plan, 'language' | 'second' | 'rules'> {
  scoring: Scoring;
  length: Length;
  noting: Noting;
  spares: Spare[];
  kept: WeakMap<Segment, Map<string, Kept>>;
}

/** All that a turn's piece depends on besides its segment, its move and what turns have in common. */
const contextOf = (turn: Turn): string =>
  [
    turn.key,
    turn.phase,
    turn.blockId,
    turn.round,
    turn.rounds,
    turn.shared,
    turn.sides.join(),
    turn.firstOfMove,
    turn.sameAsBefore,
    turn.lastInBlock,
    turn.sideGoesOn,
    turn.sideAgain,
    turn.flow,
    turn.opening,
  ].join(' ');

/**
 * Compiles a class again and again while it is edited. Only the turns that an edit touches are compiled
 * anew; all others are taken over, shifted where they stand later or sooner. The score is the one that
 * `compile` makes.
 */
export function recompiler(book: Book, options: RecompileOptions): (plan: Plan) => Recompiled {
  const { lengths, estimate = estimateSpeech } = options;
  let session: Session | undefined;

  const noted = (wordsPerMinute: number): Noting => {
    const noting: Noting = {
      known: false,
      unknown: new Map(),
      length: (text, language) => {
        const utterance = { text, language, wordsPerMinute };
        const key = utteranceKey(utterance);
        const ms = lengths.get(key);
        if (ms === undefined) noting.unknown.set(key, utterance);
        else noting.known = true;
        return ms ?? estimate(text, language, wordsPerMinute);
      },
    };
    return noting;
  };

  const sessionOf = (plan: Plan): Session => {
    const { language, second, rules } = plan;
    const same = session?.language === language && session.rules === rules;
    if (session && same && session.second === second) return session;
    const noting = noted(rules.wordsPerMinute);
    const length = lengthsOf(plan, noting.length);
    const scoring = scoringOf(plan, book, options, length);
    const spares = sparesOf(plan, book.phrases, length, scoring.talkingFactor);
    session = { language, second, rules, scoring, length, noting, spares, kept: new WeakMap() };
    return session;
  };

  return (plan) => {
    const of = sessionOf(plan);
    const scoring = { ...of.scoring, plan };
    const keptOf = new Map<Piece, Kept>();
    const pieces = turns(resolve(plan, book)).map((turn): Piece => {
      const known = of.kept.get(turn.segment) ?? new Map<string, Kept>();
      of.kept.set(turn.segment, known);
      const context = contextOf(turn);
      let found = known.get(context);
      if (found?.move !== turn.move) {
        const noting = noted(plan.rules.wordsPerMinute);
        const piece = pieceOf(turn, scoring, lengthsOf(plan, noting.length));
        const at = { ms: 0, steps: 0, cues: 0 };
        found = { piece, noting, move: turn.move, at, there: placed(piece, at) };
        known.set(context, found);
      }
      keptOf.set(found.piece, found);
      return found.piece;
    });
    /** As where it stood last, if it still stands there. */
    const place = (piece: Piece, at: At): Placed => {
      const kept = keptOf.get(piece);
      if (!kept) return placed(piece, at);
      const { ms, steps, cues } = kept.at;
      if (ms !== at.ms || steps !== at.steps || cues !== at.cues) {
        kept.at = at;
        kept.there = placed(piece, at);
      }
      return kept.there;
    };
    const score = { ...joined(pieces, scoring, of.length, place), spares: of.spares };
    const unknown = new Map(of.noting.unknown);
    let known = of.noting.known;
    for (const { noting } of keptOf.values()) {
      known ||= noting.known;
      for (const [key, utterance] of noting.unknown) unknown.set(key, utterance);
    }
    const speech: SpeechSource = unknown.size === 0 ? 'measured' : known ? 'mixed' : 'estimated';
    return { score: { ...score, speech }, unknown: [...unknown.values()] };
  };
}
