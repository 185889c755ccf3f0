import clsx from 'clsx';
import { memo, useCallback, useMemo } from 'react';
import type { FollowWords } from '@/core/follow/words';
import { clock, timeOfDay } from '@/core/formats';
import { filled } from '@/core/language/filled';
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
  OPENING,
  onlySaidName,
  QUESTIONS,
  type Score,
  stepAt,
} from '@/core/score';
import { Miniature } from '../kit/face-dial';
import { type MovesById, useMoves } from '../kit/moves';
import { BreathLine } from '../kit/playing/breath-line';
import { Ribbon } from '../kit/ribbon';

/** What is said beside the class itself, to the teacher or to a hall. */
export type StageWords = Pick<
  FollowWords,
  | 'doing'
  | 'side'
  | 'variant'
  | 'round'
  | 'of'
  | 'afterwards'
  | 'next'
  | 'paused'
  | 'ends'
  | 'toGo'
  | 'opening'
  | 'questions'
> &
  Partial<Pick<FollowWords, 'breath' | 'letGo' | 'freely'>>;

/** To the teacher. */
const LEADING: StageWords = {
  doing: {
    upbeat: 'Get ready',
    work: 'Work',
    switch: 'Change sides',
    release: 'Let go',
    rest: 'Rest',
  },
  side: {
    both: 'both sides',
    left: 'left side',
    right: 'right side',
    one: 'one way',
    other: 'the other way',
    alternating: 'left and right in turn',
  },
  variant: { easier: 'easier version', harder: 'harder version' },
  round: (round, of) => `round ${round} of ${of}`,
  of: (seconds) => `of ${seconds} s`,
  afterwards: (doing, seconds) => `then ${doing.toLowerCase()}, ${seconds} s`,
  next: 'next',
  paused: 'Paused',
  freely: 'Breathe freely',
  ends: 'ends {time}',
  toGo: '{left} to go',
  opening: onlySaidName(OPENING),
  questions: onlySaidName(QUESTIONS),
};

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
  /** When the slot ends, epoch ms; it is the teacher's business alone. */
  slotEndsAt?: number;
  words?: StageWords;
  /** Jumps to a step; without it the ribbon is only looked at. */
  onJump?: (stepKey: string) => void;
}

/**
 * What the room needs to know now: the move, the countdown, the cue, and what comes next. On a phone the roll stands below
 * it, and room is kept for the longest words, so that no name slides away under the finger that marks it.
 */
export function NowView(props: NowViewProps) {
  const { state, score, groups, timeZone, slotEndsAt, words = LEADING, onJump } = props;
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
  const paused = state.status === 'paused';
  // A hall is not to hold on for as long as a pause lasts.
  const letGo = paused && step.kind === 'work' ? words.letGo : undefined;
  const now = currentCue(state, groups, worthReading);
  const [soon, later] = firstCues(state, groups, crowded || step.breath ? 1 : 2);
  const toGo = remainingMs(state);
  const standsAt = (played.steps[state.index]?.startMs ?? 0) + state.elapsedMs;
  const lengthMs = Math.max(played.totalMs, played.slotMs);
  const { queue, index } = state;
  return (
    <>
      <p className="low:text-base flex shrink-0 flex-wrap content-start gap-x-4 text-lg upright:min-h-14">
        <Turn queue={queue} index={index} words={words} />
        <FinishLine
          endsAt={Math.round((state.at + toGo) / 1000) * 1000}
          slotEndsAt={slotEndsAt}
          timeZone={timeZone}
          words={words}
        />
      </p>
      <p
        className="font-display mt-1 line-clamp-2 shrink-0 text-[clamp(1.5rem,7dvh,2.25rem)] leading-tight font-bold upright:min-h-[2.5em] xl:text-[clamp(1.5rem,7dvh,3rem)]"
        data-testid="move"
      >
        {nameOf(current, { moves, score, words })}
      </p>
      <div className="low:flex-nowrap mt-1 flex shrink-0 flex-wrap items-center gap-x-5 md:flex-nowrap xl:gap-x-8">
        <p
          className="figures text-[min(11rem,26dvh,36vw)] leading-[0.95] font-bold [contain:layout_paint_style] md:text-[min(12.5rem,26dvh)]"
          data-testid="countdown"
        >
          {Math.ceil((playLengthMs(current) - state.elapsedMs) / 1000)}
        </p>
        <Upcoming {...{ queue, index, paused, score, words }} />
      </div>
      {step.breath ? (
        <BreathLine
          pattern={step.breath}
          elapsedMs={state.elapsedMs}
          running={running}
          words={words.breath}
          resting={words.freely}
        />
      ) : null}
      {letGo ? (
        <CueLines text={letGo} />
      ) : (
        <CueLines
          text={now?.text}
          also={now?.also}
          soon={soon}
          later={later}
          belowBreath={step.breath !== undefined}
        />
      )}
      <div className="low:hidden relative mt-auto shrink-0 overflow-x-clip pt-2 [contain:layout_style] max-md:hidden">
        <p className="figures mb-1 text-lg" data-testid="to-go">
          {filled(words.toGo, { left: clock(toGo) })}
        </p>
        <Ribbon score={played} lanes={false} onSelect={onJump && jump} />
        <Playhead permille={Math.round((1000 * standsAt) / lengthMs)} />
      </div>
    </>
  );
}

interface Named {
  moves: MovesById;
  score: Score;
  words: StageWords;
}

const nameOf = ({ step: { moveId } }: PlayStep, { moves, score, words }: Named): string => {
  const move = moves.get(moveId);
  if (move) return moveText(move, score.language).name;
  return moveId === OPENING ? words.opening : words.questions;
};

type Standing = Pick<Playback, 'queue' | 'index'>;

/** Which round and side of the move is in work, and in which version. */
const Turn = memo(function Turn({ queue, index, words }: Standing & { words: StageWords }) {
  const step = queue[index]?.step;
  if (!step) return null;
  const variant = queue.find(
    (p, i) => i >= index && p.step.segmentId === step.segmentId && p.step.kind === 'work',
  )?.step.variant;
  return (
    <>
      <span data-testid="round">{words.round(step.round, step.rounds)}</span>
      <span data-testid="side">{words.side[step.side]}</span>
      {variant && (
        <span className="text-accent font-semibold" data-testid="variant">
          {words.variant[variant]}
        </span>
      )}
    </>
  );
});

interface UpcomingProps extends Standing, Pick<NowViewProps, 'score'> {
  paused: boolean;
  words: StageWords;
}

/** What is done now, for how long, and what follows. */
const Upcoming = memo(function Upcoming(props: UpcomingProps) {
  const { queue, index, paused, score, words } = props;
  const moves = useMoves();
  const current = queue[index];
  if (!current) return null;
  const next = queue[index + 1];
  // In a pause a hall is told no length: it would be taken for the pause's.
  const untold = paused && words.letGo !== undefined;
  const nextUp = queue.find((p, i) => i > index && p.step.segmentId !== current.step.segmentId);
  const nextMove = nextUp && moves.get(nextUp.step.moveId);
  return (
    <div className="min-w-0 max-md:flex-[1_1_8rem] text-[clamp(1rem,3dvh,1.25rem)] upright:min-h-38 upright:text-base xl:text-[clamp(1rem,3dvh,1.5rem)]">
      <p className="font-semibold first-letter:uppercase" data-testid="doing">
        {paused ? words.paused : words.doing[current.step.kind]}
      </p>
      {!untold && <p className="quiet">{words.of(Math.ceil(playLengthMs(current) / 1000))}</p>}
      {next && !untold && (
        <p className="quiet mt-1">
          {words.afterwards(words.doing[next.step.kind], Math.round(playLengthMs(next) / 1000))}
        </p>
      )}
      {nextUp && (
        <p
          className="low:[&_svg]:hidden mt-1 max-sm:[&_svg]:hidden flex items-center gap-2"
          data-testid="next-move"
        >
          <span>
            <span className="quiet">{words.next} </span>
            <span className="font-semibold">{nameOf(nextUp, { moves, score, words })}</span>
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
  text?: string;
  /** The same in a second language. */
  also?: string;
  soon?: string;
  later?: string;
  /** The line of the breath takes some of their room. */
  belowBreath?: boolean;
}

/** A short cue is read from farther away; a long one has to fit, on a phone into what is kept free for the longest. */
function cueSize(text: string): string {
  if (text.length <= LARGE_CUE)
    return 'text-[clamp(1.25rem,5dvh,2rem)] upright:text-[1.625rem] xl:text-[clamp(1.25rem,6dvh,2.75rem)]';
  if (text.length <= MEDIUM_CUE)
    return 'text-[clamp(1.25rem,5dvh,2rem)] upright:text-[1.375rem] md:max-lg:text-2xl xl:text-[clamp(1.25rem,5dvh,2.25rem)]';
  return 'text-[clamp(1.25rem,5dvh,2rem)] upright:text-xl md:max-lg:text-2xl lg:text-[clamp(1.25rem,5dvh,2rem)]';
}

/** The cue now, and those to come. */
const CueLines = memo(function CueLines(props: CueLinesProps) {
  const { text = '', also, soon, later, belowBreath = false } = props;
  const size = cueSize(`${text}${also ?? ''}`);
  return (
    <div
      className={clsx(
        'low:min-h-16 mt-2 flex min-h-28 flex-col',
        belowBreath ? 'upright:min-h-20' : 'upright:min-h-36',
      )}
    >
      <p
        className={clsx(size, 'shrink-0 leading-[1.15] font-semibold text-balance')}
        data-testid="cue"
      >
        {text}
      </p>
      {also && (
        <p className="low:text-lg quiet mt-1 shrink-0 text-2xl leading-tight upright:text-lg">
          {also}
        </p>
      )}
      {/* Where there is little height, these give way first. */}
      <ul
        className="low:mt-1 low:text-base quiet mt-2 grid min-h-0 content-start gap-0.5 overflow-hidden text-xl upright:mt-1 upright:grow upright:basis-0 upright:text-base"
        aria-label="Cues to come"
      >
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
      <span className="own-colours bg-base-content block h-full w-0.5" />
    </span>
  );
});

interface FinishLineProps extends Pick<NowViewProps, 'timeZone' | 'slotEndsAt'> {
  endsAt: number;
  words: StageWords;
}

const FinishLine = memo(function FinishLine(props: FinishLineProps) {
  const { endsAt, slotEndsAt, timeZone, words } = props;
  const late = slotEndsAt === undefined ? null : endsAt - slotEndsAt;
  return (
    <>
      <span className="figures" data-testid="ends">
        {filled(words.ends, { time: timeOfDay(endsAt, timeZone) })}
      </span>
      {late !== null && (
        <span
          className={late > 0 ? 'text-accent font-semibold' : 'quiet'}
          data-testid="against-slot"
        >
          {late > 0 ? `${clock(late)} past the slot` : `${clock(-late)} inside the slot`}
        </span>
      )}
    </>
  );
});
