'use client';

import { ArrowLeft, Pause, Play, RotateCcw, SlidersHorizontal, Turtle } from 'lucide-react';
import { useMemo, useState } from 'react';
import { AloneClock } from '@/browser/follow/alone-clock';
import { hasForgotten } from '@/browser/follow/settings';
import type { KeptClass } from '@/browser/follow/store';
import { newId } from '@/browser/new-id';
import type { NewRunEvent } from '@/core/run';
import { useAwake } from '../kit/playing/use-awake';
import { useFromTop } from '../kit/use-from-top';
import { useChoosing, useMine } from './choosing';
import { Counted } from './counted';
import { Playing, useFollowed } from './follow-stage';
import { Over } from './over';
import { Sheets } from './sheets';
import { useSound } from './use-sound';

/** How fast a class runs for somebody who wants it slower. */
const SLOW = 0.8;
/** A breath between the press and the first cue. */
const START_IN_MS = 1200;

type Mine = 'started' | 'paused' | 'resumed' | 'again';

/** A class that somebody does alone: at their own time, with pause, again and a slower tempo. */
export function Alone({ kept, onBack }: { kept: KeptClass; onBack: () => void }) {
  const { document } = kept;
  const choosing = useChoosing();
  const { language, words, mine, scores } = useMine(document, choosing, true);
  useFromTop();
  const clock = useMemo(() => new AloneClock(), []);
  const [events, setEvents] = useState<readonly NewRunEvent[]>([]);
  const [tempo, setTempo] = useState(1);
  // Nobody else is there to mind what they ticked for the class and this tab does not know.
  const [sheet, setSheet] = useState<'cautions' | 'more' | null>(() =>
    hasForgotten() ? 'cautions' : null,
  );
  const mayGoDark = useAwake(true);
  if (!mine || !scores) return null;
  const happen = (type: Mine) =>
    setEvents((before) => [
      ...before,
      {
        id: newId(),
        at: clock.now() + (type === 'started' ? START_IN_MS : 0),
        type,
      } as NewRunEvent,
    ]);
  return (
    <main
      data-theme="upbeat-night"
      lang={language}
      className="bg-base-100 text-base-content led-screen follow-screen min-h-dvh"
    >
      <h1 className="sr-only">{document.score.name}</h1>
      <Run
        {...{ kept, mine, scores, words, language, choosing, clock, events, tempo }}
        happen={happen}
        turn={() => {
          const next = tempo === 1 ? SLOW : 1;
          clock.tempo = next;
          setTempo(next);
        }}
        onBack={onBack}
        choose={() => setSheet('cautions')}
      />
      {sheet && (
        <Sheets
          {...{ sheet, words, language, choosing, mayGoDark }}
          onClose={() => setSheet(null)}
        />
      )}
    </main>
  );
}

type Chosen = ReturnType<typeof useMine>;

interface RunProps {
  kept: KeptClass;
  mine: NonNullable<Chosen['mine']>;
  scores: NonNullable<Chosen['scores']>;
  words: Chosen['words'];
  language: Chosen['language'];
  choosing: ReturnType<typeof useChoosing>;
  clock: AloneClock;
  events: readonly NewRunEvent[];
  tempo: number;
  happen: (type: Mine) => void;
  turn: () => void;
  onBack: () => void;
  choose: () => void;
}

const TARGET = 'btn btn-neutral h-auto min-h-16 low:min-h-12 min-w-14 flex-1 px-2';

function Run(props: RunProps) {
  const { kept, mine, scores, words, language, choosing, clock, events, tempo, happen } = props;
  const { document } = kept;
  const { home } = words;
  const state = useFollowed(mine, {
    scores,
    events,
    clock,
    // Whoever comes back goes on when they are ready.
    cameApart: () => {
      if (state.status === 'running') happen('paused');
    },
  });
  const blocked = useSound({
    personal: mine,
    state,
    bends: events.length,
    clock,
    wordsPerMinute: scores.score.wordsPerMinute,
    settings: choosing.settings,
    tempo,
  });
  if (state.status === 'over') {
    return (
      <Over says={words.thanks(document.score.name)} then={words.over}>
        <Counted totalMs={document.score.totalMs} language={language} />
        <button type="button" className="btn h-14" onClick={props.onBack}>
          {home.back}
        </button>
      </Over>
    );
  }
  const running = state.status === 'running';
  const press = () =>
    happen(running ? 'paused' : state.status === 'paused' ? 'resumed' : 'started');
  return (
    <Playing
      {...{ document, mine, words, language, choosing, state, clock }}
      bend={undefined}
      notices={blocked && <p role="status">{words.silent}</p>}
      bar={
        <div className="flex flex-wrap gap-2 pt-3">
          <button type="button" className={TARGET} onClick={props.onBack}>
            <ArrowLeft size={20} aria-hidden /> <span className="max-sm:sr-only">{home.back}</span>
          </button>
          <button
            type="button"
            className={`${TARGET} btn-primary upbeat-on-accent`}
            onClick={press}
          >
            {running ? <Pause size={20} aria-hidden /> : <Play size={20} aria-hidden />}
            {running ? home.pause : home.play}
          </button>
          <button type="button" className={TARGET} onClick={() => happen('again')}>
            <RotateCcw size={20} aria-hidden /> <span className="max-sm:sr-only">{home.again}</span>
          </button>
          <button type="button" className={TARGET} aria-pressed={tempo !== 1} onClick={props.turn}>
            <Turtle size={20} aria-hidden /> <span className="max-sm:sr-only">{home.slow}</span>
          </button>
          <button
            type="button"
            className={TARGET}
            aria-label={words.easierForMe}
            onClick={props.choose}
          >
            <SlidersHorizontal size={20} aria-hidden />
          </button>
        </div>
      }
    />
  );
}
