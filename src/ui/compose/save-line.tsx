'use client';

import { toast } from 'sonner';
import type { Autosave, Resolution } from './use-autosave';

const WORDS = {
  saved: 'Saved',
  saving: 'Saving …',
  waiting: 'No connection. Kept here, saved when it is back.',
  unkept: 'No connection, and this browser has no room. Leave the page open: it is saved then.',
} as const;

const CHOICES: { how: Resolution; name: string }[] = [
  { how: 'both', name: 'Join both' },
  { how: 'theirs', name: 'Take the other version' },
  { how: 'mine', name: 'Keep mine' },
];

/** Whether the class is saved; in a conflict, the choice between both versions. */
export function SaveLine({ autosave }: { autosave: Autosave }) {
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
  const resolve = (how: Resolution) => {
    const merged = autosave.resolve(how);
    if (merged?.collisions.length) {
      toast.info(`Both changed ${merged.collisions.join(', ')}; yours was kept. Undo goes back.`);
    }
  };
  return (
    <div
      role="alert"
      className="border-error bg-base-100 rounded-box flex flex-wrap items-center gap-2 border p-2"
    >
      <p className="text-sm">
        This class was changed somewhere else meanwhile. Nothing is lost: choose what to go on with.
      </p>
      {CHOICES.map(({ how, name }) => (
        <button key={how} type="button" className="btn btn-sm" onClick={() => resolve(how)}>
          {name}
        </button>
      ))}
    </div>
  );
}
