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

/** A form with nothing to type in it, for what is done with one press. */
export function PressForm({ act, label, className, children }: PressFormProps) {
  const [problem, action] = useAct<string | null>(
    async (_, form) => {
      const done = await act(form);
      if (done) await toastDone(done);
      return null;
    },
    { initial: null, unanswered: (_, told) => told, kept: '' },
  );
  return (
    <form action={action} aria-label={label} className={className}>
      {children}
      {problem && (
        <p role="alert" className="text-error mt-1 w-full font-medium">
          {problem}
        </p>
      )}
    </form>
  );
}
