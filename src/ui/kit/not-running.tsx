import type { Language } from '@/core/language';

/** The oldest browsers that what we send is written for, as `browserslist` in package.json says. */
export const OLDEST = { chrome: '108', firefox: '104', safari: '15.4' };

const WORDS: Record<Language, (from: typeof OLDEST) => string> = {
  en: ({ chrome, firefox, safari }) =>
    `This page does not run yet. On a slow connection wait, or load it again. If it stays so, scripts are switched off or this browser is too old: Chrome or Edge ${chrome}, Firefox ${firefox}, Safari ${safari} and all newer ones will do.`,
  de: ({ chrome, firefox, safari }) =>
    `Diese Seite läuft noch nicht. Ist die Verbindung langsam, warte oder lade sie neu. Bleibt es so, dann sind Skripte abgeschaltet, oder der Browser ist zu alt: Es geht mit Chrome oder Edge ab ${chrome}, Firefox ab ${firefox} und Safari ab ${safari}.`,
};

/**
 * Says so where the script of a page does not come to run: what is pressed would not be heard, and nothing that moves would
 * move. It appears by its style alone, after a while (globals.css).
 */
export function NotRunning({ language }: { language: Language }) {
  return (
    <p className="not-running" lang={language}>
      {WORDS[language](OLDEST)}
    </p>
  );
}
