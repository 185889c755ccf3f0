'use client';

import { libraryTrack } from '@library/tracks';
import clsx from 'clsx';
import { WifiOff } from 'lucide-react';
import { memo, useEffect, useMemo, useRef, useState } from 'react';
import type { RunClock } from '@/browser/server-clock';
import { actsOf, poseAt, standing } from '@/core/face';
import { type FollowDocument, nameIn, type Personal, trackIn } from '@/core/follow';
import type { BendName, FollowWords } from '@/core/follow/words';
import type { Language } from '@/core/language';
import {
  currentCue,
  type NewRunEvent,
  type Playback,
  type PlayStep,
  playLengthMs,
  shownShare,
} from '@/core/run';
import { type Cue, isCount, type Score } from '@/core/score';
import { MovingFace } from '../kit/face-dial';
import { BreathLine } from '../kit/playing/breath-line';
import { Countdown } from '../kit/playing/countdown';
import { usePlayback } from '../kit/playing/use-playback';
import { useFromTop } from '../kit/use-from-top';
import { useReducedMotion } from '../kit/use-reduced-motion';
import { Bar } from './bar';
import type { Choosing } from './choosing';
import { Over } from './over';
import type { Followed } from './use-follow';
import { useGentle } from './use-gentle';
import { useSound } from './use-sound';

/** How long it is told what the teacher did, in ms. */
const BEND_TOLD_MS = 4000;

const worthReading = (cue: Cue) => !isCount(cue) && cue.kind !== 'breath';

/** Where the class stands now, looked at whenever somebody who follows it sees something else, besides the countdown. */
export function useFollowed(
  mine: Personal,
  of: Omit<Parameters<typeof usePlayback>[0], 'groups' | 'beside'>,
) {
  const groups = useMemo(() => mine.groups.map((cues) => cues.filter(worthReading)), [mine]);
  return usePlayback({ ...of, groups, beside: true }).state;
}

export interface FollowStageProps {
  document: FollowDocument;
  mine: Personal;
  scores: { score: Score; easier: Score | null };
  words: FollowWords;
  language: Language;
  choosing: Choosing;
  followed: Followed;
  setSheet: (sheet: 'cautions' | 'more') => void;
}

/** The class as it runs, on the device of somebody who follows it. */
export function FollowStage(props: FollowStageProps) {
  const { document, mine, scores, words, choosing, followed } = props;
  useFromTop();
  const events = followed.events as readonly NewRunEvent[];
  const { clock } = followed;
  const state = useFollowed(mine, { scores, events, clock, cameApart: followed.cameApart });
  const blocked = useSound({
    personal: mine,
    state,
    bends: events.length,
    clock,
    wordsPerMinute: scores.score.wordsPerMinute,
    settings: choosing.settings,
  });
  useVibration(state, choosing.settings.vibrate);
  if (followed.ended || state.status === 'finished' || state.status === 'over') {
    return (
      <Over says={words.thanks(document.score.name)} then={words.over}>
        {followed.takeHome && (
          <a href="/follow/again" className="btn btn-primary upbeat-on-accent h-14">
            {words.takeHome}
          </a>
        )}
      </Over>
    );
  }
  return (
    <Playing
      {...props}
      state={state}
      clock={clock}
      bend={events.at(-1)}
      bar={
        <Bar
          words={words}
          languages={document.languages}
          language={props.language}
          choosing={choosing}
          setSheet={props.setSheet}
        />
      }
      notices={
        <>
          {!followed.connected && (
            <p role="status" className="flex items-center gap-2">
              <WifiOff size={18} aria-hidden /> {words.offline}
            </p>
          )}
          {blocked && <p role="status">{words.silent}</p>}
        </>
      }
    />
  );
}

interface PlayingProps extends Omit<FollowStageProps, 'followed' | 'setSheet' | 'scores'> {
  state: Playback;
  clock: RunClock;
  /** What the teacher did last. */
  bend: NewRunEvent | undefined;
  notices: React.ReactNode;
  /** What can be pressed. */
  bar: React.ReactNode;
}

/** What somebody sees while the class runs: the face, how long still, what is said, and what comes. */
export function Playing(props: PlayingProps) {
  const { document, mine, state, clock, bend, words, language, choosing, notices, bar } = props;
  const current = state.queue[state.index];
  const told = useTold(bend, clock);
  const dial = useTurned(told);
  if (!current) return null;
  const { settings } = choosing;
  const step = mine.asDone(current);
  const own = mine.mine(current.step);
  const out = own.does === 'leaveOut';
  const here = state.queue.slice(state.index, state.index + 1);
  const read = mine.heard({ ...state, queue: here, index: 0 });
  const cue = out ? undefined : currentCue(read, mine.groups, worthReading);
  const next = state.queue[state.index + 1];
  const paused = state.status === 'paused';
  // Nobody is to hold on for as long as a pause lasts.
  const holding = paused && current.step.kind === 'work';
  const names = ({ step }: PlayStep) => nameIn(document, language)(step.moveId);
  // In a pause nobody is told a length: it would be taken for the pause's.
  const doing = paused
    ? words.paused
    : `${words.doing[step.kind]}, ${words.of(Math.round(playLengthMs(current) / 1000))}`;
  return (
    <div
      className={clsx(
        'mx-auto grid h-dvh max-w-6xl grid-cols-[minmax(0,1fr)] grid-rows-[auto_minmax(34dvh,1fr)_auto_auto] overflow-y-auto p-4',
        'beside:grid-cols-[repeat(2,minmax(0,1fr))] beside:grid-rows-[auto_minmax(0,1fr)_auto] beside:gap-x-8 low:py-2',
        settings.larger && 'larger-words',
      )}
    >
      <p className="quiet flex flex-wrap justify-between gap-x-3 low:text-base beside:col-span-2 text-lg">
        <span data-testid="side">{words.side[step.side]}</span>
        <span data-testid="round">{words.round(step.round, step.rounds)}</span>
      </p>
      <div ref={dial} className="grid min-h-0 place-items-center">
        <Dial {...{ document, mine, state, clock }} facing={settings.facing} />
      </div>
      <section aria-label={words.now} className="beside:self-center min-w-0">
        <div className="low:text-base min-h-7 text-lg" aria-live="polite">
          {told ? words.bend[told.what] : notices}
        </div>
        <p className="flex flex-wrap items-baseline gap-x-4">
          <span
            className="figures text-[min(6rem,22dvh)] leading-none font-bold lg:text-[min(12rem,26dvh)]"
            data-testid="countdown"
          >
            <Countdown state={state} clock={clock} />
          </span>
          <span className="quiet follow-words" data-testid="doing">
            {doing}
          </span>
        </p>
        <p className="follow-words font-semibold" data-testid="move">
          {out ? words.forTheOthers(names(current)) : names(current)}
        </p>
        <p className="follow-cue mt-1 font-semibold text-balance" data-testid="cue">
          {out ? words.leaveOut : holding ? words.letGo : cue?.text}
        </p>
        <Care own={own} released={current.step.release !== undefined} words={words} />
        {step.breath && !out ? (
          <BreathLine
            pattern={step.breath}
            elapsedMs={state.elapsedMs}
            running={state.status === 'running'}
            words={words.breath}
            resting={words.freely}
            small
          />
        ) : null}
        <p className="quiet follow-words mt-1" data-testid="next">
          {next && next.step.segmentId === current.step.segmentId
            ? words.afterwards(words.doing[next.step.kind], Math.round(playLengthMs(next) / 1000))
            : next && `${words.next} ${names(next)}`}
        </p>
      </section>
      <div className="beside:col-span-2">{bar}</div>
    </div>
  );
}

/** What somebody with cautions has to mind in this move. */
function Care({
  own,
  released,
  words,
}: {
  own: ReturnType<Personal['mine']>;
  released: boolean;
  words: FollowWords;
}) {
  const because = own.because.map((caution) => words.caution[caution]).join('; ');
  const lines = [
    ...(own.does === 'easier' ? [words.easier] : []),
    ...(because ? [words.because(because)] : own.does === 'asLed' ? [] : [words.home.strong]),
    ...own.mind.map(({ effect }) => words[effect]),
    ...(own.handsFree && released && own.does !== 'leaveOut' ? [words.handsFree] : []),
  ];
  return (
    // What the room hears is meant for others then, and whoever cannot see the screen has to be told.
    <div aria-live="polite">
      {lines.length > 0 && (
        <ul className="border-accent mt-1 border-l-4 pl-3" data-testid="care">
          {own.does === 'leaveOut' && <li className="sr-only">{words.leaveOut}</li>}
          {[...new Set(lines)].map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
    </div>
  );
}

interface FollowDialProps {
  document: FollowDocument;
  mine: Personal;
  state: Playback;
  clock: RunClock;
  facing: boolean;
}

/**
 * The face comes a moment after the words and the countdown: where a step begins, all that follow have that to show at
 * the same time, and a face takes the longest to draw.
 */
function Dial({ state, ...more }: FollowDialProps) {
  const [later, setLater] = useState(state);
  // Not a deferred value: on a slow device what is looked at next would hold it up again and again.
  useEffect(() => setLater(state), [state]);
  return <FollowDial {...more} state={later} />;
}

/** The face as this follower moves: in the version that is theirs, at rest where they leave a move out. */
const FollowDial = memo(function FollowDial(props: FollowDialProps) {
  const { document, mine, state, clock, facing } = props;
  const { queue, index, elapsedMs, at, status } = state;
  const moves = useMemo(() => new Map(document.moves.map((m) => [m.id, m])), [document]);
  const tracks = useMemo(
    () => trackIn(document, (id, variant) => libraryTrack(id, variant) ?? null),
    [document],
  );
  const acts = useMemo(
    () =>
      actsOf(
        queue.map((p) => {
          const step = mine.asDone(p);
          return mine.mine(p.step).does === 'leaveOut' ? { ...step, moveId: '' } : step;
        }),
        tracks,
        (i) => (queue[i] ? playLengthMs(queue[i]) : 0),
      ),
    [queue, mine, tracks],
  );
  const still = useMemo(() => standing(acts, index), [acts, index]);
  const running = status === 'running';
  const gentle = useGentle(() => poseAt(acts, index, elapsedMs + (running ? clock.now() - at : 0)));
  const current = queue[index];
  if (!current) return null;
  const out = mine.mine(current.step).does === 'leaveOut';
  const move = out ? undefined : moves.get(current.step.moveId);
  const { kind, side } = current.step;
  const working = kind === 'work' && !out;
  return (
    <MovingFace
      {...gentle}
      {...{ running, still, facing }}
      size={440}
      className="h-full max-h-full w-full"
      fill={move?.areas}
      side={working && (side === 'left' || side === 'right') ? side : 'both'}
      strokes={working ? move?.strokes : undefined}
      progress={working ? shownShare(elapsedMs, playLengthMs(current)) : 0}
    />
  );
});

/** Something that the teacher did; another one each time, also where it is the same again. */
interface Told {
  what: BendName;
}

/** What the teacher did a moment ago; nothing of what happened before somebody came in. */
function useTold(bend: NewRunEvent | undefined, clock: RunClock): Told | null {
  const [told, setTold] = useState<Told | null>(null);
  const known = useRef(bend?.id);
  useEffect(() => {
    if (!bend || known.current === bend.id) return;
    known.current = bend.id;
    if (bend.type === 'started' || clock.now() - bend.at > BEND_TOLD_MS) return setTold(null);
    setTold({ what: bend.type as BendName });
    const timer = setTimeout(() => setTold(null), BEND_TOLD_MS);
    return () => clearTimeout(timer);
  }, [bend, clock]);
  return told;
}

const TURN = { transform: ['none', 'rotate(-4deg)', 'none'] };
const TURN_MS = 700;

/** What is turned a little at whatever the teacher does, unless somebody wants no movement. It stays as it is drawn. */
function useTurned(told: Told | null) {
  const turned = useRef<HTMLDivElement>(null);
  const reduced = useReducedMotion();
  useEffect(() => {
    if (!told || reduced) return;
    turned.current?.animate(TURN, { duration: TURN_MS, easing: 'ease-in-out' });
  }, [told, reduced]);
  return turned;
}

const SIDE_CHANGE = [200, 120, 200];
const END = [400, 150, 400, 150, 400];

/** The device trembles where the side changes, and at the end. */
function useVibration(state: Playback, on: boolean): void {
  const current = state.queue[state.index];
  const kind = current?.step.kind;
  const key = current?.key;
  const over = state.status === 'over' || state.status === 'finished';
  useEffect(() => {
    if (!on || !key || !('vibrate' in navigator)) return;
    if (kind === 'switch') navigator.vibrate(SIDE_CHANGE);
  }, [on, kind, key]);
  useEffect(() => {
    if (on && over && 'vibrate' in navigator) navigator.vibrate(END);
  }, [on, over]);
}
