'use client';

import { useState } from 'react';
import { askForLock } from '@/browser/device-lock';

interface LockedProps {
  name: string;
  onUnlocked: () => void;
  onNameless: () => void;
}

/** Stands before a class that was opened from what the device has kept, where the device asks for its lock. */
export function Locked({ name, onUnlocked, onNameless }: LockedProps) {
  const [refused, setRefused] = useState(false);
  const unlock = async () => {
    if (await askForLock()) onUnlocked();
    else setRefused(true);
  };
  return (
    <main data-theme="upbeat-night" className="bg-base-100 text-base-content min-h-dvh">
      <div className="mx-auto grid max-w-lg gap-4 p-10 text-center">
        <h1 className="text-3xl font-bold">{name}</h1>
        <p>
          The server does not answer. This device has kept the class, with names of people, and asks
          for its lock before it shows them.
        </p>
        <button type="button" className="btn btn-primary btn-lg" onClick={() => void unlock()}>
          Unlock and go on
        </button>
        <button type="button" className="btn btn-ghost" onClick={onNameless}>
          Go on without names
        </button>
        {refused && (
          <p role="alert" className="text-error">
            The device did not unlock. Try again, or go on without names; who is here can be marked
            later.
          </p>
        )}
      </div>
    </main>
  );
}
