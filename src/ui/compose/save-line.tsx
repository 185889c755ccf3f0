'use client';

import type { Plan } from '@/core/class';
import type { Autosave } from './use-autosave';

const WORDS = {
  saved: 'Saved',
  saving: 'Saving …',
  waiting: 'No connection. Kept here, saved when it is back.',
} as const;

/** Whether the class is saved; in a conflict, the choice between both versions. */
export function SaveLine({
  autosave,
  replace,
}: {
  autosave: Autosave;
  replace: (plan: Plan) => void;
}) {
  const { state } = autosave;
  if (state.kind === 'refused') {
    return (
      <p role="alert" className="text-error text-sm">
        Not saved: {state.message}
      </p>
    );
  }
  if (state.kind !== 'conflict') {
    return (
      <p role="status" className="quiet text-sm">
        {WORDS[state.kind]}
      </p>
    );
  }
  const theirs = () => {
    const plan = autosave.resolve(false);
    if (plan) replace(plan);
  };
  return (
    <div
      role="alert"
      className="border-error bg-base-100 rounded-box flex flex-wrap items-center gap-2 border p-2"
    >
      <p className="text-sm">This class was changed somewhere else meanwhile.</p>
      <button type="button" className="btn btn-sm" onClick={theirs}>
        Take the other version
      </button>
      <button type="button" className="btn btn-sm" onClick={() => autosave.resolve(true)}>
        Keep mine
      </button>
    </div>
  );
}
