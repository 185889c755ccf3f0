import { useState } from 'react';
import type { RegisterChange } from '@/core/calls';
import type { RegisterSession } from './register-grid';

/** Somebody who came to the chosen session and has no line yet. */
export function SomebodyElse({
  session,
  others,
  add,
}: {
  session: RegisterSession | undefined;
  others: readonly { id: string; name: string }[];
  add: (participantId: string) => void;
}) {
  const [who, setWho] = useState('');
  if (!session?.begun || session.status === 'cancelled' || others.length === 0) return null;
  return (
    <form
      className="no-print mt-4 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (who) add(who);
        setWho('');
      }}
    >
      <label className="grid gap-1">
        <span className="text-sm font-medium">Somebody else who came, {session.when}</span>
        <select className="select w-64" value={who} onChange={(e) => setWho(e.target.value)}>
          <option value="">choose</option>
          {others.map((o) => (
            <option key={o.id} value={o.id}>
              {o.name}
            </option>
          ))}
        </select>
      </label>
      <button type="submit" className="btn btn-outline" disabled={!who}>
        They were here
      </button>
    </form>
  );
}

/** What was changed after sessions were closed, by whom and when. */
export function Changes({
  changes,
  takeBack,
}: {
  changes: readonly RegisterChange[];
  takeBack: (id: string) => void;
}) {
  if (changes.length === 0) return null;
  return (
    <details className="no-print mt-6">
      <summary className="cursor-pointer font-semibold">
        Corrections, the newest first ({changes.length})
      </summary>
      <ul className="divide-base-300 mt-2 max-w-3xl divide-y">
        {changes.map((c) => (
          <li key={c.id} className="flex flex-wrap justify-between gap-x-4 py-1.5">
            <span>{c.says}</span>
            <span className="quiet">
              {c.by && `${c.by}, `}
              {c.at}{' '}
              <button
                type="button"
                className="btn btn-ghost btn-xs"
                aria-label={`Take it back: ${c.says}`}
                onClick={() => takeBack(c.id)}
              >
                Take it back
              </button>
            </span>
          </li>
        ))}
      </ul>
    </details>
  );
}
