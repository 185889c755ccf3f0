'use client';

import { useEffect, useState } from 'react';
import { keepStage } from '@/browser/kept-stage';
import type { FollowDocument } from '@/core/follow';
import { haveReady } from '@/core/follow/words';
import type { NewRunEvent } from '@/core/run';
import { useAwake } from '../kit/playing/use-awake';
import { useChoosing, useMine } from './choosing';
import { FollowStage } from './follow-stage';
import { Over } from './over';
import { Sheets } from './sheets';
import type { FollowScreenProps } from './types';
import { useFollow } from './use-follow';
import { followedSpeechUrl } from './use-sound';
import { Waiting } from './waiting';

/** The class, for a device that came in. */
export default function Inside(props: FollowScreenProps) {
  const { code } = props;
  const followed = useFollow(code);
  const { document, events, ended } = followed;
  const choosing = useChoosing();
  const { language, words, mine, scores } = useMine(document, choosing);
  const [sheet, setSheet] = useState<'cautions' | 'more' | null>(null);
  const begun = (events as readonly NewRunEvent[]).some((e) => e.type === 'started');
  const mayGoDark = useAwake(!ended);
  useKeptPage(document, language);
  const open = sheet && (
    <Sheets
      {...{ sheet, words, language, choosing, followed, code, mayGoDark }}
      leave={props.leave}
      onClose={() => setSheet(null)}
    />
  );
  const frame = (children: React.ReactNode) => (
    <main
      data-theme="upbeat-night"
      lang={language}
      data-asked={followed.asked}
      className="bg-base-100 text-base-content led-screen follow-screen min-h-dvh"
    >
      <h1 className="sr-only">{props.className}</h1>
      {children}
      {open}
    </main>
  );
  // After a class that was closed nobody is told that they may not follow it.
  if (followed.gone && !ended) return frame(<Over says={words.gone} link={words.again} />);
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
      ready={haveReady(words, document?.kit ?? [])}
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
