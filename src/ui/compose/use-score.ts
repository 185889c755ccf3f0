import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { z } from 'zod';
import { call, Refused, Unreachable } from '@/browser/api';
import type { Plan } from '@/core/class';
import { type Book, compile, lengthOf, type Room, type Score } from '@/core/score';
import {
  estimateSpeech,
  measuredMeter,
  notingMeter,
  rememberingMeter,
  type Utterance,
  utteranceKey,
} from '@/core/speech';

const WAIT_MS = 400;
const MOST_AT_ONCE = 500;
const answerSchema = z.object({ lengths: z.array(z.number()).nullable() });
type Lengths = ReadonlyMap<string, number>;

export interface MeasuredScore {
  score: Score;
  /** Measured lengths so far, in ms by utterance key. */
  lengths: Lengths;
  /** Compiles another state of the class with what is known by now. */
  compileAlso: (plan: Plan) => Score;
  /** Measures all that another state of the class says; its length in ms and all lengths known then. */
  measure: (plan: Plan) => Promise<{ ms: number; lengths: Lengths }>;
}

/**
 * The score of a class while it is edited: at once from the estimate, and from the measured voice
 * as soon as the server has told how long each cue really is.
 * @param room what each person booked has met
 */
export function useScore(plan: Plan, book: Book, room: Room): MeasuredScore {
  const [lengths, setLengths] = useState<Lengths>(new Map());
  const newest = useRef<Lengths>(lengths);
  const mute = useRef(false);
  const [estimate] = useState(() => rememberingMeter(estimateSpeech));
  const compileWith = useCallback(
    (of: Plan, known: Lengths) => {
      const measured = measuredMeter(known, estimate);
      const noting = notingMeter(measured.meter);
      const options = { meter: noting.meter, speechSource: measured.source, room };
      const score = compile(of, book, options);
      return { score, unknown: noting.asked.filter((u) => !known.has(utteranceKey(u))) };
    },
    [book, estimate, room],
  );
  const { score, unknown } = useMemo(
    () => compileWith(plan, lengths),
    [compileWith, plan, lengths],
  );

  /** Asks the server how long some texts are; the estimate stands where it cannot tell. */
  const learn = useCallback(async (texts: readonly Utterance[]): Promise<Lengths> => {
    const utterances = texts.slice(0, MOST_AT_ONCE);
    if (utterances.length === 0 || mute.current) return newest.current;
    try {
      const answer = await call('POST', '/api/speech/lengths', { utterances }, answerSchema);
      const known = answer.lengths;
      if (known) {
        const after = new Map(newest.current);
        for (const [i, u] of utterances.entries()) after.set(utteranceKey(u), known[i] ?? 0);
        newest.current = after;
        startTransition(() => setLengths(after));
      } else mute.current = true;
    } catch (error) {
      // The estimate stands; the next edit asks again.
      if (!(error instanceof Unreachable || error instanceof Refused)) throw error;
    }
    return newest.current;
  }, []);

  useEffect(() => {
    if (unknown.length === 0 || mute.current) return;
    const timer = setTimeout(() => void learn(unknown), WAIT_MS);
    return () => clearTimeout(timer);
  }, [unknown, learn]);

  const compileAlso = useCallback(
    (other: Plan) => compileWith(other, newest.current).score,
    [compileWith],
  );
  const measure = useCallback(
    async (other: Plan) => {
      const known = await learn(compileWith(other, newest.current).unknown);
      const { meter } = measuredMeter(known, estimate);
      return { ms: lengthOf(other, book, { meter, room }), lengths: known };
    },
    [learn, compileWith, estimate, book, room],
  );
  return { score, lengths, compileAlso, measure };
}
