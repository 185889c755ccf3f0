'use client';

import { useEffect, useState, useSyncExternalStore } from 'react';
import { asksForLock, canAskForLock, onLock, setUpLock, takeOffLock } from '@/browser/device-lock';

/** Whether names that this device keeps are shown without the server only after the device's own lock. */
export function LockSection() {
  const [can, setCan] = useState<boolean | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const isOn = useSyncExternalStore(onLock, asksForLock, () => false);
  useEffect(() => {
    void canAskForLock().then(setCan);
  }, []);
  const change = async () => {
    const done = await (isOn ? takeOffLock() : setUpLock());
    setProblem(done ? null : 'The device did not unlock. Nothing was changed; try again.');
  };
  return (
    <section aria-labelledby="lock">
      <h2 id="lock" className="mb-3 text-xl font-semibold">
        Names on this device
      </h2>
      <p className="quiet mb-3">
        A device that you lead from keeps the class for a day, names and cautions too, so that it
        goes on without the server. It can ask for its own lock (a finger, a face or a code) before
        it shows them then.
      </p>
      {can === false ? (
        <p>
          This browser cannot ask for the lock of the device here. It can over https, where the
          device has a lock.
        </p>
      ) : (
        <button
          type="button"
          className="btn btn-outline"
          disabled={can === null}
          onClick={() => void change()}
        >
          {isOn ? 'Do not ask for the lock any more' : 'Ask for the lock before names are shown'}
        </button>
      )}
      <p role="status" className="mt-2">
        {isOn && 'This device asks for its lock before it shows names without the server.'}
      </p>
      {problem && (
        <p role="alert" className="text-error mt-2">
          {problem}
        </p>
      )}
    </section>
  );
}
