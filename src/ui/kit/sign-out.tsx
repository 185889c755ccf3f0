'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { toldOf } from '@/browser/api';
import { forgetStudio, saveUnsaved, sendUnsent, type Unsent, unsent } from '@/browser/leaving';
import { Dialog } from './dialog';
import { Link } from './link';

/** Where somebody signs out. */
export type Leaving = 'here' | 'everywhere';

const many = (n: number, one: string, more: string) => `${n} ${n === 1 ? one : more}`;

/** What is not stored yet, in words. */
function inWords({ events, classes }: Unsent): string {
  const parts = [
    ...(events > 0
      ? [many(events, 'thing that happened or was marked', 'things that happened or were marked')]
      : []),
    ...(classes > 0
      ? [many(classes, 'class with unsaved edits', 'classes with unsaved edits')]
      : []),
  ];
  return parts.join(' and ');
}

const isNone = ({ events, classes }: Unsent) => events === 0 && classes === 0;

/** Signs out at once; where something is not stored yet, it asks first. */
export function SignOut({ leaving, onStay }: { leaving: Leaving; onStay: () => void }) {
  const form = useRef<HTMLFormElement>(null);
  const [left, setLeft] = useState<Unsent | null>(null);
  const [problems, setProblems] = useState<readonly string[]>([]);
  const [unsaved, setUnsaved] = useState<readonly { id: string; name: string }[]>([]);
  const go = useCallback(async () => {
    await forgetStudio();
    form.current?.submit();
  }, []);
  const look = useCallback(async () => {
    const now = await unsent();
    if (isNone(now)) await go();
    else setLeft(now);
  }, [go]);
  useEffect(() => void look(), [look]);
  const send = async () => {
    try {
      const { refused, stuck, stopped } = await sendUnsent();
      const told = [...refused, ...stuck, ...(stopped ? [toldOf(stopped)] : [])];
      setProblems([...new Set(told)]);
      if (!stopped) setUnsaved(await saveUnsaved());
      // What was refused is told before it is gone.
      if (told.length > 0) return setLeft(await unsent());
    } catch (error) {
      setProblems([toldOf(error)]);
    }
    await look();
  };
  return (
    <>
      <form
        ref={form}
        method="post"
        action={leaving === 'everywhere' ? '/sign-out?everywhere' : '/sign-out'}
        hidden
      />
      {left && (
        <Dialog
          title="Something is not stored yet"
          onClose={onStay}
          actions={
            <>
              <button type="button" className="btn btn-outline" onClick={() => void go()}>
                {isNone(left) ? 'Sign out' : 'Sign out and lose it'}
              </button>
              {!isNone(left) && (
                <button type="button" className="btn btn-primary" onClick={() => void send()}>
                  Send it first
                </button>
              )}
            </>
          }
        >
          <p>
            {isNone(left)
              ? 'Nothing else waits on this device.'
              : `This device still keeps ${inWords(left)}.`}{' '}
            After you sign out nothing of the studio stays on it.
          </p>
          {unsaved.length > 0 && (
            <div role="alert" className="mt-2">
              <p>
                This could not be saved as it is; it may have been changed elsewhere too. Open it to
                decide, then sign out.
              </p>
              <ul className="mt-2">
                {unsaved.map(({ id, name }) => (
                  <li key={id}>
                    <Link className="link" href={`/classes/${id}`}>
                      {name}
                    </Link>
                  </li>
                ))}
              </ul>
            </div>
          )}
          {problems.map((says) => (
            <p key={says} role="alert" className="text-error mt-2">
              Not stored: {says}
            </p>
          ))}
        </Dialog>
      )}
    </>
  );
}
