'use client';

import { FastForward, Flag, Pause, Play, Plus, Repeat, Rewind, WifiOff } from 'lucide-react';
import { useEffect } from 'react';
import type { Sound } from '@/browser/cue-player';
import { clock, timeOfDay } from '@/core/formats';
import { type Move, moveText } from '@/core/move';
import { cuesAhead, currentCue, type Playback, playLengthMs, remainingMs } from '@/core/run';
import type { Cue, Score, Side, StepKind } from '@/core/score';
import { FaceDial } from '../kit/face-dial';
import { Ribbon } from '../kit/ribbon';
import { ControlButton } from './control-button';
import { RollList } from './roll-list';
import type { Roll } from './use-roll';
import type { Bend, LiveRun } from './use-run';

export interface StageProps {
  run: LiveRun;
  score: Score;
  groups: readonly (readonly Cue[])[];
  moveOf: (id: string) => Move | undefined;
  roll: Roll;
  timeZone: string;
  sound: Sound;
  onEnd: () => void;
}

const DOING: Record<StepKind, string> = {
  upbeat: 'Get ready',
  work: 'Work',
  switch: 'Change sides',
  release: 'Let go',
  rest: 'Rest',
};
const SIDE_WORDS: Record<Side, string> = {
  both: 'both sides',
  left: 'left side',
  right: 'right side',
  one: 'one way',
  other: 'the other way',
  alternating: 'left and right in turn',
};
const SOUND_WORDS: Record<Sound, string | null> = {
  rendered: null,
  browser: 'Spoken by the browser; the server has no voice',
  tone: 'No voice here: read the cues, a soft tone marks them',
};
export const EXTENSION_MS = 10_000;
const WHOLE_CLASS_MS = 10 ** 9;
/** Counts are shown by the countdown; as text they would only chase each other. */
const worthReading = (cue: Cue) =>
  cue.kind !== 'count' && cue.kind !== 'countIn' && cue.kind !== 'breath';

/** What the room sees and hears while the class runs. */
export function Stage(props: StageProps) {
  const { run, score, groups, moveOf, roll, timeZone, sound, onEnd } = props;
  const { state, bend } = run;
  const paused = state.status === 'paused';
  useStageKeys(bend, paused, onEnd);
  const current = state.queue[state.index];
  if (!current) return null;
  const { step } = current;
  const move = moveOf(step.moveId);
  const name = move ? moveText(move, score.language).name : 'Questions';
  const leftMs = playLengthMs(current) - state.elapsedMs;
  const working = step.kind === 'work';
  const running: Playback = { ...state, status: 'running' };
  const ahead = cuesAhead(running, groups, WHOLE_CLASS_MS).filter((d) => worthReading(d.cue));
  const next = state.queue[state.index + 1];
  const nextUp = state.queue.find((p, i) => i > state.index && p.step.segmentId !== step.segmentId);
  const nextMove = nextUp && moveOf(nextUp.step.moveId);
  const toGo = remainingMs(state);
  /** A second language needs the room of one of the cues to come. */
  const crowded = score.cues.some((cue) => cue.also !== undefined);
  return (
    <main
      data-theme="upbeat-night"
      className="bg-base-100 text-base-content grid min-h-dvh grid-rows-[1fr_auto] lg:h-dvh"
    >
      <h1 className="sr-only">Leading {score.name}</h1>
      <div className="grid min-h-0 gap-x-8 gap-y-4 p-5 md:grid-cols-[minmax(0,22rem)_1fr] lg:grid-cols-[15rem_minmax(0,1fr)_15rem] xl:grid-cols-[22rem_minmax(0,1fr)_17rem]">
        <div className="grid content-center justify-items-center max-md:hidden">
          <FaceDial
            size={440}
            className="h-auto w-full"
            fill={move?.areas}
            side={working && (step.side === 'left' || step.side === 'right') ? step.side : 'both'}
            strokes={working ? move?.strokes : undefined}
            progress={working ? state.elapsedMs / playLengthMs(current) : 0}
          />
        </div>
        <section aria-label="Now" className="flex min-w-0 flex-col">
          <p className="flex flex-wrap gap-x-4 text-lg">
            <span data-testid="round">
              round {step.round} of {step.rounds}
            </span>
            <span data-testid="side">{SIDE_WORDS[step.side]}</span>
            <FinishLine run={run} score={score} toGo={toGo} timeZone={timeZone} />
          </p>
          <p
            className="font-display mt-1 text-4xl leading-tight font-bold xl:text-5xl"
            data-testid="move"
          >
            {name}
          </p>
          <div className="mt-1 flex flex-wrap items-center gap-x-5 xl:gap-x-8">
            <p
              className="figures text-[11rem] leading-[1.05] font-bold md:text-[12.5rem] xl:text-[15rem]"
              data-testid="countdown"
            >
              {Math.ceil(leftMs / 1000)}
            </p>
            <div className="text-xl xl:text-2xl">
              <p className="font-semibold" data-testid="doing">
                {paused ? 'Paused' : DOING[step.kind]}
              </p>
              <p className="quiet">of {Math.round(playLengthMs(current) / 1000)} s</p>
              {next && (
                <p className="quiet mt-2">
                  then {DOING[next.step.kind].toLowerCase()},{' '}
                  {Math.round(playLengthMs(next) / 1000)} s
                </p>
              )}
            </div>
          </div>
          <CueText
            now={currentCue(state, groups, worthReading)}
            next={ahead.slice(0, crowded ? 1 : 2).map((d) => ({ key: d.key, text: d.cue.text }))}
          />
          {!crowded && (
            <div className="mt-auto pt-3 max-xl:hidden">
              <p className="figures mb-1 text-lg" data-testid="to-go">
                {clock(toGo)} to go
              </p>
              <Ribbon
                score={score}
                moveOf={moveOf}
                atMs={step.startMs + Math.min(step.durationMs, state.elapsedMs)}
                lanes={false}
              />
            </div>
          )}
        </section>
        <section aria-label="In the room" className="min-h-0 overflow-y-auto max-lg:col-span-full">
          <h2 className="flex items-baseline justify-between text-lg font-semibold">
            In the room
            <span className="quiet figures text-base font-normal">
              {roll.entries.filter((e) => e.attendance && e.attendance.mark !== 'absent').length} of{' '}
              {roll.entries.length}
            </span>
          </h2>
          <RollList roll={roll} compact />
        </section>
      </div>
      <footer className="bg-base-200 sticky bottom-0 flex flex-wrap items-center gap-2 px-5 py-3">
        {paused ? (
          <ControlButton
            strong
            icon={Play}
            keyName="Space"
            onClick={() => bend({ type: 'resumed' })}
          >
            Go on
          </ControlButton>
        ) : (
          <ControlButton
            strong
            icon={Pause}
            keyName="Space"
            onClick={() => bend({ type: 'paused' })}
          >
            Pause
          </ControlButton>
        )}
        <ControlButton icon={Rewind} keyName="←" onClick={() => bend({ type: 'again' })}>
          Again from the upbeat
        </ControlButton>
        <ControlButton icon={FastForward} keyName="→" onClick={() => bend({ type: 'next' })}>
          Next
        </ControlButton>
        <ControlButton
          icon={Plus}
          keyName="+"
          onClick={() => bend({ type: 'extended', ms: EXTENSION_MS })}
        >
          10 s longer
        </ControlButton>
        <ControlButton icon={Repeat} keyName="R" onClick={() => bend({ type: 'roundAdded' })}>
          One more round
        </ControlButton>
        <ControlButton icon={Flag} keyName="E" onClick={onEnd}>
          End class
        </ControlButton>
        <div className="ml-auto text-right">
          {!run.connected && (
            <p role="status" className="flex items-center justify-end gap-2">
              <WifiOff size={18} aria-hidden /> No connection; the class goes on, nothing is lost
            </p>
          )}
          {(run.error ?? SOUND_WORDS[sound]) && (
            <p role="status">{run.error ?? SOUND_WORDS[sound]}</p>
          )}
          {nextUp && (
            <p>
              <span className="quiet">next </span>
              <span className="font-semibold">
                {nextMove ? moveText(nextMove, score.language).name : 'Questions'}
              </span>
            </p>
          )}
        </div>
      </footer>
    </main>
  );
}

function FinishLine({
  run,
  score,
  toGo,
  timeZone,
}: {
  run: LiveRun;
  score: Score;
  toGo: number;
  timeZone: string;
}) {
  const { state } = run;
  const endsAt = state.at + toGo;
  const slotEnd = (state.startedAt ?? state.at) + score.slotMs;
  const late = endsAt - slotEnd;
  return (
    <>
      <span className="figures" data-testid="ends">
        ends {timeOfDay(endsAt, timeZone)}
      </span>
      <span className={late > 0 ? 'text-accent font-semibold' : 'quiet'}>
        {late > 0 ? `${clock(late)} past the slot` : `${clock(-late)} inside the slot`}
      </span>
    </>
  );
}

function CueText({ now, next }: { now: Cue | undefined; next: { key: string; text: string }[] }) {
  return (
    <div className="mt-2 min-h-32">
      <p className="text-[2rem] leading-tight font-semibold text-balance" data-testid="cue">
        {now?.text ?? ''}
      </p>
      {now?.also && <p className="quiet mt-1 text-2xl leading-tight">{now.also}</p>}
      <ul className="quiet mt-3 grid gap-1 text-xl">
        {next.map(({ key, text }) => (
          <li key={key} className="line-clamp-1">
            {text}
          </li>
        ))}
      </ul>
    </div>
  );
}

function useStageKeys(bend: (bend: Bend) => void, paused: boolean, onEnd: () => void) {
  useEffect(() => {
    const keys = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (event.ctrlKey || event.metaKey || event.altKey || target.matches('input, textarea'))
        return;
      const onButton = target.matches('button, summary, a');
      const key = event.key;
      if (key === ' ' && !onButton) bend({ type: paused ? 'resumed' : 'paused' });
      else if (key === 'ArrowLeft') bend({ type: 'again' });
      else if (key === 'ArrowRight') bend({ type: 'next' });
      else if (key === '+' || key === '=') bend({ type: 'extended', ms: EXTENSION_MS });
      else if (key.toLowerCase() === 'r') bend({ type: 'roundAdded' });
      else if (key.toLowerCase() === 'e') onEnd();
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', keys);
    return () => window.removeEventListener('keydown', keys);
  }, [bend, paused, onEnd]);
}
