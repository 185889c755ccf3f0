import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { ask, isExpected } from '@/browser/api';
import { CALLS } from '@/core/calls';
import type { Plan } from '@/core/class';
import type { Language } from '@/core/language';
import { type Book, lengthOf, type MovesMet, recompiler, type Score } from '@/core/score';
import {
  estimateIn,
  measuredMeter,
  rememberingMeter,
  type Utterance,
  utteranceKey,
  type VoiceId,
} from '@/core/speech';

const WAIT_MS = 400;
const MOST_AT_ONCE = 500;
type Lengths = ReadonlyMap<string, number>;

export interface MeasuredScore {
  score: Score;
  /** Measured lengths so far, in ms by utterance key. */
  lengths: Lengths;
  /** What the voice was asked to say and cannot, by utterance key. */
  unsaid: ReadonlySet<string>;
  /** Compiles another state of the class with what is known by now. */
  compileAlso: (plan: Plan) => Score;
  /** Measures all that another state of the class says; its length in ms and all lengths known then. */
  measure: (plan: Plan) => Promise<{ ms: number; lengths: Lengths }>;
  /** Forgets the lengths of some words, since they are said by another voice now. */
  measureAgain: (text: string, language: Language) => void;
}

/** In which voice each language is said. */
export type Voices = Readonly<Record<Language, VoiceId>>;

export interface ToScore {
  plan: Plan;
  book: Book;
  /** What each person booked has met. */
  room: MovesMet;
  /** What is known from the beginning of how long its words are. */
  lengths: Lengths;
  voices: Voices;
  /** How many times as long as its cues the talk of this teacher takes. */
  talkingFactor: number;
}

/**
 * The score of a class while it is edited: at once from what is known and the estimate, and from the
 * measured voice as soon as the server has told how long each other cue really is.
 */
export function useScore({
  plan,
  book,
  room,
  lengths: knownBefore,
  voices,
  talkingFactor,
}: ToScore): MeasuredScore {
  const [lengths, setLengths] = useState(knownBefore);
  const newest = useRef<Lengths>(lengths);
  /** What the server said it cannot speak; the estimate stands for it. */
  const silent = useRef(new Set<string>());
  const [unsaid, setUnsaid] = useState<ReadonlySet<string>>(new Set());
  const [estimate] = useState(() => rememberingMeter(estimateIn(voices)));
  const compileWith = useCallback(
    (known: Lengths) => recompiler(book, { lengths: known, estimate, room, talkingFactor }),
    [book, estimate, room, talkingFactor],
  );
  const recompile = useMemo(() => compileWith(lengths), [compileWith, lengths]);
  const { score, unknown } = useMemo(() => recompile(plan), [recompile, plan]);

  /** Asks the server how long some texts are; the estimate stands where it cannot tell. */
  const learn = useCallback(async (texts: readonly Utterance[]): Promise<Lengths> => {
    const asked = texts.filter((u) => !silent.current.has(utteranceKey(u)));
    const utterances = asked.slice(0, MOST_AT_ONCE);
    if (utterances.length === 0) return newest.current;
    try {
      const answer = await ask(CALLS.speechLengths, { body: { utterances } });
      const after = new Map(newest.current);
      for (const [i, u] of utterances.entries()) {
        const ms = answer.lengths[i] ?? null;
        if (ms === null) silent.current.add(utteranceKey(u));
        else after.set(utteranceKey(u), ms);
      }
      newest.current = after;
      startTransition(() => {
        setLengths(after);
        if (answer.voice) setUnsaid(new Set(silent.current));
      });
    } catch (error) {
      // The estimate stands; the next edit asks again.
      if (!isExpected(error)) throw error;
    }
    return newest.current;
  }, []);

  useEffect(() => {
    if (unknown.length === 0) return;
    const timer = setTimeout(() => void learn(unknown), WAIT_MS);
    return () => clearTimeout(timer);
  }, [unknown, learn]);

  const compileAlso = useCallback((other: Plan) => recompile(other).score, [recompile]);
  const measure = useCallback(
    async (other: Plan) => {
      const known = await learn(compileWith(newest.current)(other).unknown);
      const { meter } = measuredMeter(known, estimate);
      return { ms: lengthOf(other, book, { meter, room, talkingFactor }), lengths: known };
    },
    [learn, compileWith, estimate, book, room, talkingFactor],
  );
  const measureAgain = useCallback(
    (text: string, language: Language) => {
      const key = utteranceKey({ text, language, wordsPerMinute: plan.rules.wordsPerMinute });
      silent.current.delete(key);
      setUnsaid(new Set(silent.current));
      const after = new Map(newest.current);
      after.delete(key);
      newest.current = after;
      setLengths(after);
    },
    [plan.rules.wordsPerMinute],
  );
  return { score, lengths, unsaid, compileAlso, measure, measureAgain };
}
