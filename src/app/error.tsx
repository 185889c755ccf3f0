'use client';

import { saidBy } from '@/core/calls/digest';

export interface ErrorPageProps {
  error: Error & { digest?: string };
  /** Shows the same again. */
  reset: () => void;
  /** Asks the server for the page anew. */
  retry: () => void;
}

export default function ErrorPage({ error, retry }: ErrorPageProps) {
  return (
    <main className="mx-auto max-w-lg p-10 text-center">
      <h1 className="text-3xl font-bold">Something went wrong here</h1>
      <p className="quiet mt-2">
        {saidBy(error.digest ?? '') ??
          'What was stored is safe. Try again; if it happens again, the server log says why.'}
      </p>
      <button type="button" onClick={retry} className="btn btn-primary mt-6">
        Try again
      </button>
    </main>
  );
}
