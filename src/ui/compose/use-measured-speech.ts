import { useEffect, useMemo, useRef, useState } from 'react';
import { z } from 'zod';
import { call, Refused, Unreachable } from '@/browser/api';
import type { Plan } from '@/core/class';
import { type Book, compile, type Score } from '@/core/score';
import {
  estimateSpeech,
  measuredMeter,
  notingMeter,
  rememberingMeter,
  utteranceKey,
} from '@/core/speech';

const WAIT_MS = 400;
const MOST_AT_ONCE = 500;
const answerSchema = z.object({ lengths: z.array(z.number()).nullable() });

/**
 * The score of a class while it is edited: at once from the estimate, and from the measured voice
 * as soon as the server has told how long each cue really is.
 */
export function useScore(plan: Plan, book: Book): Score {
  const [lengths, setLengths] = useState<ReadonlyMap<string, number>>(new Map());
  const mute = useRef(false);
  const [estimate] = useState(() => rememberingMeter(estimateSpeech));
  const { score, unknown } = useMemo(() => {
    const measured = measuredMeter(lengths, estimate);
    const noting = notingMeter(measured.meter);
    const compiled = compile(plan, book, { meter: noting.meter, speechSource: measured.source });
    return {
      score: compiled,
      unknown: noting.asked.filter((u) => !lengths.has(utteranceKey(u))),
    };
  }, [plan, book, lengths, estimate]);

  useEffect(() => {
    if (unknown.length === 0 || mute.current) return;
    const timer = setTimeout(async () => {
      const utterances = unknown.slice(0, MOST_AT_ONCE);
      try {
        const answer = await call('POST', '/api/speech/lengths', { utterances }, answerSchema);
        if (!answer.lengths) {
          mute.current = true;
          return;
        }
        const known = answer.lengths;
        setLengths((before) => {
          const after = new Map(before);
          for (const [i, u] of utterances.entries()) after.set(utteranceKey(u), known[i] ?? 0);
          return after;
        });
      } catch (error) {
        // The estimate stands; the next edit asks again.
        if (!(error instanceof Unreachable || error instanceof Refused)) throw error;
      }
    }, WAIT_MS);
    return () => clearTimeout(timer);
  }, [unknown]);

  return score;
}
