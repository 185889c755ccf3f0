import { useEffect, useState } from 'react';
import { ask } from '@/browser/api';
import { CALLS } from '@/core/calls';
import { type Lengths, type Spent, withLengthsOf } from '@/core/run';
import { useAttempt } from '../kit/use-attempt';

export interface LengthsAgainProps {
  classId: string;
  parts: readonly Spent[];
  nameOf: (moveId: string) => string;
}

/** Offers to give the class the lengths it was led with. */
export function LengthsAgain({ classId, parts, nameOf }: LengthsAgainProps) {
  const [found, setFound] = useState<(Lengths & { version: number }) | null>(null);
  const [done, setDone] = useState(false);
  const { error, attempt } = useAttempt();
  // biome-ignore lint/correctness/useExhaustiveDependencies: the class is looked at once, when it is closed.
  useEffect(() => {
    void attempt(async () => {
      const { plan, version } = await ask(CALLS.readClass, { id: classId });
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
      await ask(CALLS.saveClass, { id: classId, body });
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
