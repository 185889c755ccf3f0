'use client';

import { saidBy } from '@/core/calls/digest';
import type { Language } from '@/core/language';

export interface ErrorPageProps {
  error: Error & { digest?: string };
  /** Shows the same again. */
  reset: () => void;
  /** Asks the server for the page anew. */
  retry: () => void;
}

export interface FailedWords {
  title: string;
  says: string;
  again: string;
}

interface FailedProps extends ErrorPageProps {
  words: FailedWords;
  language: Language;
}

/** In the place of a page that fails. */
export function Failed({ error, retry, words, language }: FailedProps) {
  return (
    <main className="mx-auto max-w-lg p-10 text-center" lang={language}>
      <h1 className="text-3xl font-bold">{words.title}</h1>
      <p className="quiet mt-2">{saidBy(error.digest ?? '') ?? words.says}</p>
      <button type="button" onClick={retry} className="btn btn-primary mt-6">
        {words.again}
      </button>
    </main>
  );
}

const OF_STUDIO: FailedWords = {
  title: 'Something went wrong here',
  says: 'What was stored is safe. Try again; if it happens again, the server log says why.',
  again: 'Try again',
};

/** In the place of a page of a studio that fails. */
export function FailedPage(props: ErrorPageProps) {
  return <Failed {...props} words={OF_STUDIO} language="en" />;
}
