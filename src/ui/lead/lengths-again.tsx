import { useEffect, useState } from 'react';
import { z } from 'zod';
import { call, Refused, Unreachable } from '@/browser/api';
import { planSchema } from '@/core/class';
import { type Lengths, type Spent, withLengthsOf } from '@/core/run';

const classAnswerSchema = z.object({ plan: planSchema, version: z.number() });
const savedAnswerSchema = z.object({ version: z.number() });

export interface LengthsAgainProps {
  classId: string;
  parts: readonly Spent[];
  nameOf: (moveId: string) => string;
}

/** Offers to give the class the lengths it was led with. */
export function LengthsAgain({ classId, parts, nameOf }: LengthsAgainProps) {
  const [found, setFound] = useState<(Lengths & { version: number }) | null>(null);
  const [done, setDone] = useState(false);
  const [error, setError] = useState<string | null>(null);
  const attempt = async (work: () => Promise<void>) => {
    setError(null);
    try {
      await work();
    } catch (problem) {
      if (problem instanceof Unreachable) setError('The server does not answer. Try again.');
      else if (problem instanceof Refused) setError(problem.message);
      else throw problem;
    }
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: the class is looked at once, when it is closed.
  useEffect(() => {
    void attempt(async () => {
      const url = `/api/classes/${classId}`;
      const { plan, version } = await call('GET', url, undefined, classAnswerSchema);
      setFound({ ...withLengthsOf(plan, parts), version });
    });
  }, [classId]);
  if (error) {
    return (
      <p role="alert" className="mt-4">
        {error}
      </p>
    );
  }
  if (!found || found.lines.length === 0) return null;
  const use = () =>
    attempt(async () => {
      const body = { plan: found.plan, basedOn: found.version };
      await call('PUT', `/api/classes/${classId}`, body, savedAnswerSchema);
      setDone(true);
    });
  return (
    <section aria-labelledby="lengths">
      <h2 id="lengths" className="mt-6 mb-2 text-xl font-semibold">
        Use these lengths next time?
      </h2>
      <ul className="divide-base-300 divide-y">
        {found.lines.map(({ segmentId, moveId, words }) => (
          <li key={segmentId} className="flex flex-wrap justify-between gap-x-4 py-1.5">
            <span className="font-medium">{nameOf(moveId)}</span>
            <span>{words}</span>
          </li>
        ))}
      </ul>
      {done ? (
        <p role="status" className="mt-2 font-medium">
          The class has these lengths now. Its history has the ones before.
        </p>
      ) : (
        <button type="button" className="btn mt-2" onClick={use}>
          Use these lengths next time
        </button>
      )}
    </section>
  );
}
