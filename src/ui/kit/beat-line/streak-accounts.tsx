import { useEffect, useState } from 'react';
import { ask } from '@/browser/api';
import { CALLS, type StreakTold } from '@/core/calls';
import { useAttempt } from '../use-attempt';

/** The account of somebody's streaks, of one class or of all of theirs. */
export function StreakAccounts({
  participantId,
  classId,
}: {
  participantId: string;
  classId?: string;
}) {
  const [streaks, setStreaks] = useState<StreakTold[] | null>(null);
  const { error, attempt } = useAttempt();
  useEffect(() => {
    attempt(async () => {
      const told = await ask(CALLS.readStreaks, { id: participantId });
      setStreaks(told.streaks.filter((s) => !classId || s.classId === classId));
    });
  }, [participantId, classId, attempt]);
  return (
    <>
      {error && (
        <p role="alert" className="text-error font-medium">
          {error}
        </p>
      )}
      {streaks === null && !error && <p role="status">Working it out…</p>}
      {streaks?.map((s) => (
        <StreakAccount key={s.classId} streak={s} />
      ))}
    </>
  );
}

/** What was kept lately, the streak, what the rule asks, and the account. */
function StreakAccount({ streak }: { streak: StreakTold }) {
  const { className, lately, count, line, rule, account } = streak;
  const kept =
    lately.asked === 0
      ? 'Nothing was asked in the last 12 weeks.'
      : `Kept ${lately.kept} of ${lately.asked} in the last 12 weeks.`;
  return (
    <section className="mb-6">
      <h3 className="text-lg font-semibold">{className}</h3>
      <p className="mt-1">
        {/* After a break, what was kept comes first. */}
        {line.current === 0 ? kept : `${count}, the longest so far ${line.longest}. ${kept}`}
      </p>
      <p className="quiet mt-1 text-sm">{rule}</p>
      <ol className="divide-base-300 border-base-300 mt-3 divide-y border-y">
        {account.map((told) => (
          <li key={`${told.when} ${told.says}`} className="flex gap-3 py-1.5">
            <span className="figures w-36 shrink-0 font-medium">{told.when}</span>
            <span className="min-w-0 flex-1">{told.says}</span>
          </li>
        ))}
        {account.length === 0 && <li className="quiet py-2">There is nothing to tell yet.</li>}
      </ol>
    </section>
  );
}
