'use client';

import { useEffect, useMemo, useState } from 'react';
import {
  type FollowSettings,
  keepCautions,
  keepSettings,
  readCautions,
  readSettings,
  USUAL,
} from '@/browser/follow/settings';
import { keepStage } from '@/browser/kept-stage';
import { keepAwake } from '@/browser/wake-lock';
import { type FollowDocument, personal, scoreOf } from '@/core/follow';
import type { Caution } from '@/core/move';
import type { NewRunEvent } from '@/core/run';
import { ComeIn, type ComeInProps } from './come-in';
import { FollowStage } from './follow-stage';
import { Over } from './over';
import { Sheets } from './sheets';
import { type Followed, useFollow } from './use-follow';
import { followedSpeechUrl } from './use-sound';
import { Waiting } from './waiting';
import { wordsIn } from './words';

export interface FollowScreenProps extends ComeInProps {
  code: string;
  /** This device came in before. */
  inside: boolean;
  leave: () => Promise<void>;
}

/** What a device shows that follows a class, from the door to the end. */
export function FollowScreen(props: FollowScreenProps) {
  const followed = useFollow(props.code, props.inside);
  if (!props.inside) return <ComeIn {...props} />;
  return <Inside {...props} followed={followed} />;
}

export interface Choosing {
  settings: FollowSettings;
  change: (change: Partial<FollowSettings>) => void;
  cautions: readonly Caution[];
  setCautions: (cautions: readonly Caution[]) => void;
}

/** How somebody follows on this device, as they chose it before. */
export function useChoosing(): Choosing {
  const [settings, setSettings] = useState(USUAL);
  const [cautions, setCautionsOnly] = useState<readonly Caution[]>([]);
  useEffect(() => {
    setSettings(readSettings());
    setCautionsOnly(readCautions());
  }, []);
  return {
    settings,
    change: (change) => {
      const next = { ...settings, ...change };
      keepSettings(next);
      setSettings(next);
    },
    cautions,
    setCautions: (next) => {
      keepCautions(next);
      setCautionsOnly(next);
    },
  };
}

/** The class as this person follows it. */
export function useMine(document: FollowDocument | null, { settings, cautions }: Choosing) {
  const language = settings.language ?? document?.score.language ?? 'en';
  const { slower } = settings;
  const mine = useMemo(
    () => document && personal(document, { language, cautions, slower }),
    [document, language, cautions, slower],
  );
  const scores = useMemo(
    () =>
      document && {
        score: scoreOf(document.score),
        easier: document.easier && scoreOf(document.easier),
      },
    [document],
  );
  return { language, words: wordsIn(language), mine, scores };
}

function Inside(props: FollowScreenProps & { followed: Followed }) {
  const { followed, code } = props;
  const { document, events, ended } = followed;
  const choosing = useChoosing();
  const { language, words, mine, scores } = useMine(document, choosing);
  const [sheet, setSheet] = useState<'cautions' | 'more' | null>(null);
  const begun = (events as readonly NewRunEvent[]).some((e) => e.type === 'started');
  useEffect(() => (ended ? undefined : keepAwake()), [ended]);
  useKeptPage(document, language);
  const open = sheet && (
    <Sheets
      {...{ sheet, words, language, choosing, followed, code }}
      className={props.className}
      leave={props.leave}
      onClose={() => setSheet(null)}
    />
  );
  const frame = (children: React.ReactNode) => (
    <main
      data-theme="upbeat-night"
      lang={language}
      className="bg-base-100 text-base-content follow-screen min-h-dvh"
    >
      <h1 className="sr-only">{props.className}</h1>
      {children}
      {open}
    </main>
  );
  if (followed.gone) return frame(<Over says={words.gone} link={words.again} />);
  if (document && mine && scores && begun && followed.timed) {
    return frame(
      <FollowStage
        {...{ document, mine, scores, words, language, choosing, followed, setSheet }}
      />,
    );
  }
  return frame(
    <Waiting
      className={props.className}
      words={words}
      connected={followed.connected}
      languages={document?.languages ?? []}
      language={language}
      choosing={choosing}
      setSheet={setSheet}
    />,
  );
}

/** Keeps page and sound on the device, so that the class goes on when it is loaded again without a connection. */
function useKeptPage(document: FollowDocument | null, language: string): void {
  useEffect(() => {
    if (!document) return;
    const { wordsPerMinute } = document.score;
    const spoken = [document.score, document.easier].flatMap((part) =>
      (part?.cues ?? []).map((cue) => {
        const other = cue.other?.[language as keyof typeof cue.other];
        return followedSpeechUrl({
          text: other?.text ?? cue.text,
          language: other ? (language as typeof cue.language) : cue.language,
          wordsPerMinute,
        });
      }),
    );
    void keepStage([...new Set(spoken)]);
  }, [document, language]);
}
