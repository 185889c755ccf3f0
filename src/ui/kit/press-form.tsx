'use client';

import type { ReactNode } from 'react';
import { toastDone } from './toast-done';
import { useAct } from './use-act';

export interface PressFormProps {
  /** Gives what to say when it is done, where the page does not show it; nothing is said of nothing. */
  act: (form: FormData) => Promise<string> | Promise<void>;
  label?: string;
  className?: string;
  children: ReactNode;
}

/** What stands beside what was pressed. */
interface Told {
  problem?: string;
  /** What was done, where it could not be said in passing. */
  done?: string;
}

/** A form with nothing to type in it, for what is done with one press. */
export function PressForm({ act, label, className, children }: PressFormProps) {
  const [{ problem, done }, action] = useAct<Told>(
    async (_, form) => {
      const done = await act(form);
      return done && !(await toastDone(done)) ? { done } : {};
    },
    { initial: {}, unanswered: (_, problem) => ({ problem }), kept: '' },
  );
  return (
    <form action={action} aria-label={label} className={className}>
      {children}
      {done && (
        <p role="status" className="mt-1 w-full">
          {done}
        </p>
      )}
      {problem && (
        <p role="alert" className="text-error mt-1 w-full font-medium">
          {problem}
        </p>
      )}
    </form>
  );
}
