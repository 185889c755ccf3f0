'use client';

import type { Language } from '@/core/language';
import { type ErrorPageProps, Failed, type FailedWords } from './failed';

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
