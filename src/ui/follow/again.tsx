'use client';

import { useEffect, useState } from 'react';
import { type Refused, sendPractised } from '@/browser/follow/practised';
import { readersLanguage, readSettings } from '@/browser/follow/settings';
import { dropClass, type KeptClass, keptClasses } from '@/browser/follow/store';
import { keepStage } from '@/browser/kept-stage';
import { filled, haveReady, refusedIn, wordsIn } from '@/core/follow/words';
import { clock, dayIn } from '@/core/formats';
import { Door } from '../account/door';
import { GeneralCaution } from '../kit/caution';
import { Link } from '../kit/link';
import { Alone } from './alone';

type Kept = KeptClass & { code: string };

/** Classes that may be done again alone, on this device. */
export default function Again() {
  // Only ever made in a browser.
  const [language] = useState(() => readersLanguage(readSettings()));
  const words = wordsIn(language).door;
  const [classes, setClasses] = useState<Kept[] | null>(null);
  const [chosen, setChosen] = useState<Kept | null>(null);
  const [refused, setRefused] = useState<Refused[]>([]);
  useEffect(() => {
    // What was done without a connection counts now.
    const send = async () => {
      const { refused } = await sendPractised();
      setRefused((before) => [...before, ...Object.values(refused)]);
    };
    void send();
    window.addEventListener('online', send);
    return () => window.removeEventListener('online', send);
  }, []);
  useEffect(() => {
    const look = async () => setClasses((await keptClasses()).filter((c) => c.takeHome));
    look().catch(() => setClasses([]));
    void keepStage([]);
  }, []);
  if (chosen) return <Alone kept={chosen} onBack={() => setChosen(null)} />;
  const last = refused.at(-1);
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  return (
    <Door title={words.onDevice} language={language}>
      {last && (
        <p role="alert" className="mb-3">
          {filled(words.notCounted, { count: refused.length, why: refusedIn(language, last) })}
        </p>
      )}
      {classes?.length === 0 && <p>{words.noneOnDevice}</p>}
      <ul className="grid gap-3">
        {classes?.map((kept) => (
          <li key={kept.code} className="bg-base-200 rounded-box p-4">
            <p className="text-xl font-semibold">{kept.document.score.name}</p>
            <p className="quiet">
              {filled(words.followed, {
                length: clock(kept.document.score.totalMs),
                day: dayIn(language, kept.at, zone),
              })}
            </p>
            <p className="empty:hidden">{haveReady(wordsIn(language), kept.document.kit ?? [])}</p>
            <div className="mt-2 flex gap-2">
              <button
                type="button"
                className="btn btn-primary upbeat-on-accent h-12 flex-1"
                onClick={() => setChosen(kept)}
              >
                {words.doIt}
                <span className="sr-only"> {kept.document.score.name}</span>
              </button>
              <button
                type="button"
                className="btn h-12"
                onClick={async () => {
                  await dropClass(kept.code);
                  setClasses((all) => all?.filter((c) => c !== kept) ?? null);
                }}
              >
                {words.remove}
                <span className="sr-only"> {kept.document.score.name}</span>
              </button>
            </div>
          </li>
        ))}
      </ul>
      <Link href="/follow" className="btn mt-6 h-12 justify-self-start">
        {words.followNow}
      </Link>
      <GeneralCaution className="mt-6" says={words.care} />
    </Door>
  );
}
