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

interface FailedWords {
  title: string;
  says: string;
  again: string;
}

interface FailedProps extends ErrorPageProps {
  words: FailedWords;
  language: Language;
}

function Failed({ error, retry, words, language }: FailedProps) {
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

/** Beside these few words nothing is fetched for it: it comes to the door of a class with its page. */
const OF_PEOPLE: Record<Language, FailedWords> = {
  en: {
    title: 'Something went wrong here',
    says: 'Try again. If it happens again, tell your teacher.',
    again: 'Try again',
  },
  de: {
    title: 'Hier ist etwas schiefgegangen',
    says: 'Versuch es noch einmal. Wenn es wieder passiert, sag es deiner Lehrerin.',
    again: 'Noch einmal',
  },
};

/** In the place of a page of somebody who comes to classes, in the language of their device: they have no server log. */
export function FailedForPeople(props: ErrorPageProps) {
  const ours = Object.keys(OF_PEOPLE) as Language[];
  const asked = navigator.languages.flatMap((of) => ours.find((l) => of.startsWith(l)) ?? []);
  const [language = 'en'] = asked;
  return <Failed {...props} words={OF_PEOPLE[language]} language={language} />;
}
