import clsx from 'clsx';
import { memo, useCallback, useMemo } from 'react';
import { clock, timeOfDay } from '@/core/formats';
import { moveText } from '@/core/move';
import {
  cuesToCome,
  currentCue,
  type Playback,
  type PlayStep,
  playedScore,
  playLengthMs,
  remainingMs,
} from '@/core/run';
import {
  type Cue,
  isCount,
  onlySaidName,
  type Score,
  type Side,
  type StepKind,
  stepAt,
} from '@/core/score';
import { Miniature } from '../kit/face-dial';
import { type MovesById, useMoves } from '../kit/moves';
import { BreathLine } from '../kit/playing/breath-line';
import { Ribbon } from '../kit/ribbon';

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
const VARIANT_WORDS = { easier: 'easier version', harder: 'harder version' } as const;

/** Up to how many letters a cue is shown large, or fairly large. */
const [LARGE_CUE, MEDIUM_CUE] = [42, 84];

/** Counts are shown by the countdown; as text they would only chase each other. */
const worthReading = (cue: Cue) => !isCount(cue) && cue.kind !== 'breath';

function firstCues(state: Playback, groups: readonly (readonly Cue[])[], count: number) {
  const found: string[] = [];
  for (const { cue } of cuesToCome(state, groups)) {
    if (!worthReading(cue)) continue;
    found.push(cue.text);
    if (found.length === count) break;
  }
  return found;
}

export interface NowViewProps {
  state: Playback;
  score: Score;
  groups: readonly (readonly Cue[])[];
  timeZone: string;
  /** When the slot ends, epoch ms. */
  slotEndsAt: number;
  /** Jumps to a step; without it the ribbon is only looked at. */
  onJump?: (stepKey: string) => void;
}

/** What the room needs to know now: the move, the countdown, the cue, and what comes next. */
export function NowView(props: NowViewProps) {
  const { state, score, groups, timeZone, slotEndsAt, onJump } = props;
  const moves = useMoves();
  const played = useMemo(() => playedScore(score, state.queue), [score, state.queue]);
  const jump = useCallback(
    (_: string, atMs: number) => {
      const step = stepAt(played, atMs);
      if (step) onJump?.(step.id);
    },
    [played, onJump],
  );
  /** A second language needs the room of one of the cues to come. */
  const crowded = useMemo(() => score.cues.some((cue) => cue.also !== undefined), [score]);
  const current = state.queue[state.index];
  if (!current) return null;
  const { step } = current;
  const running = state.status === 'running';
  const now = currentCue(state, groups, worthReading);
  const [soon, later] = firstCues(state, groups, crowded || step.breath ? 1 : 2);
  const toGo = remainingMs(state);
  const standsAt = (played.steps[state.index]?.startMs ?? 0) + state.elapsedMs;
  const lengthMs = Math.max(played.totalMs, played.slotMs);
  const { queue, index } = state;
  return (
    <>
      <p className="flex flex-wrap gap-x-4 text-lg">
        <Turn queue={queue} index={index} />
        <FinishLine
          endsAt={Math.round((state.at + toGo) / 1000) * 1000}
          slotEndsAt={slotEndsAt}
          timeZone={timeZone}
        />
      </p>
      <p
        className="font-display mt-1 line-clamp-2 text-4xl leading-tight font-bold xl:text-5xl"
        data-testid="move"
      >
        {nameOf(current, moves, score)}
      </p>
      <div className="mt-1 flex flex-wrap items-center gap-x-5 md:flex-nowrap xl:gap-x-8">
        <p
          className="figures text-[11rem] leading-[0.95] font-bold [contain:layout_paint_style] md:text-[12.5rem]"
          data-testid="countdown"
        >
          {Math.ceil((playLengthMs(current) - state.elapsedMs) / 1000)}
        </p>
        <Upcoming queue={queue} index={index} paused={state.status === 'paused'} score={score} />
      </div>
      {step.breath ? (
        <BreathLine pattern={step.breath} elapsedMs={state.elapsedMs} running={running} />
      ) : null}
      <CueLines text={now?.text} also={now?.also} soon={soon} later={later} />
      <div className="relative mt-auto overflow-x-clip pt-2 [contain:layout_style] max-md:hidden">
        <p className="figures mb-1 text-lg" data-testid="to-go">
          {clock(toGo)} to go
        </p>
        <Ribbon score={played} lanes={false} onSelect={onJump && jump} />
        <Playhead permille={Math.round((1000 * standsAt) / lengthMs)} />
      </div>
    </>
  );
}

const nameOf = (p: PlayStep, moves: MovesById, score: Score): string => {
  const move = moves.get(p.step.moveId);
  return move ? moveText(move, score.language).name : onlySaidName(p.step.moveId);
};

type Standing = Pick<Playback, 'queue' | 'index'>;

/** Which round and side of the move is in work, and in which version. */
const Turn = memo(function Turn({ queue, index }: Standing) {
  const step = queue[index]?.step;
  if (!step) return null;
  const variant = queue.find(
    (p, i) => i >= index && p.step.segmentId === step.segmentId && p.step.kind === 'work',
  )?.step.variant;
  return (
    <>
      <span data-testid="round">
        round {step.round} of {step.rounds}
      </span>
      <span data-testid="side">{SIDE_WORDS[step.side]}</span>
      {variant && (
        <span className="text-accent font-semibold" data-testid="variant">
          {VARIANT_WORDS[variant]}
        </span>
      )}
    </>
  );
});

interface UpcomingProps extends Standing, Pick<NowViewProps, 'score'> {
  paused: boolean;
}

/** What is done now, for how long, and what follows. */
const Upcoming = memo(function Upcoming({ queue, index, paused, score }: UpcomingProps) {
  const moves = useMoves();
  const current = queue[index];
  if (!current) return null;
  const next = queue[index + 1];
  const nextUp = queue.find((p, i) => i > index && p.step.segmentId !== current.step.segmentId);
  const nextMove = nextUp && moves.get(nextUp.step.moveId);
  return (
    <div className="min-w-0 text-xl xl:text-2xl">
      <p className="font-semibold" data-testid="doing">
        {paused ? 'Paused' : DOING[current.step.kind]}
      </p>
      <p className="quiet">of {Math.ceil(playLengthMs(current) / 1000)} s</p>
      {next && (
        <p className="quiet mt-1">
          then {DOING[next.step.kind].toLowerCase()}, {Math.round(playLengthMs(next) / 1000)} s
        </p>
      )}
      {nextUp && (
        <p className="mt-1 flex items-center gap-2" data-testid="next-move">
          <span>
            <span className="quiet">next </span>
            <span className="font-semibold">{nameOf(nextUp, moves, score)}</span>
          </span>
          {nextMove && (
            <Miniature
              move={nextMove}
              variant={nextUp.step.variant}
              side={nextUp.step.side === 'right' ? 'right' : 'left'}
              size={72}
            />
          )}
        </p>
      )}
    </div>
  );
});

interface CueLinesProps {
  text: string | undefined;
  /** The same in a second language. */
  also: string | undefined;
  soon: string | undefined;
  later: string | undefined;
}

/** A short cue is read from farther away; a long one has to fit. */
function cueSize(text: string): string {
  if (text.length <= LARGE_CUE) return 'text-[2rem] xl:text-[2.75rem]';
  if (text.length <= MEDIUM_CUE) return 'text-[2rem] xl:text-[2.25rem]';
  return 'text-[2rem]';
}

/** The cue now, and those to come. */
const CueLines = memo(function CueLines({ text = '', also, soon, later }: CueLinesProps) {
  const size = cueSize(`${text}${also ?? ''}`);
  return (
    <div className="mt-2 min-h-28">
      <p className={clsx(size, 'leading-[1.15] font-semibold text-balance')} data-testid="cue">
        {text}
      </p>
      {also && <p className="quiet mt-1 text-2xl leading-tight">{also}</p>}
      <ul className="quiet mt-2 grid gap-0.5 text-xl" aria-label="Cues to come">
        {soon && <li className="line-clamp-1">{soon}</li>}
        {later && <li className="line-clamp-1">{later}</li>}
      </ul>
    </div>
  );
});

/** Where the class stands on the ribbon. It moves on a layer of its own, so that nothing is painted anew. */
const Playhead = memo(function Playhead({ permille }: { permille: number }) {
  return (
    <span
      className="pointer-events-none absolute inset-x-0 bottom-0 h-9 will-change-transform"
      style={{ transform: `translateX(${permille / 10}%)` }}
      aria-hidden
    >
      <span className="bg-base-content block h-full w-0.5" />
    </span>
  );
});

const FinishLine = memo(function FinishLine({
  endsAt,
  slotEndsAt,
  timeZone,
}: {
  endsAt: number;
  slotEndsAt: number;
  timeZone: string;
}) {
  const late = endsAt - slotEndsAt;
  return (
    <>
      <span className="figures" data-testid="ends">
        ends {timeOfDay(endsAt, timeZone)}
      </span>
      <span className={late > 0 ? 'text-accent font-semibold' : 'quiet'} data-testid="against-slot">
        {late > 0 ? `${clock(late)} past the slot` : `${clock(-late)} inside the slot`}
      </span>
    </>
  );
});
