import { useEffect, useRef, useState } from 'react';
import type { BreathPattern } from '@/core/move';
import { useReducedMotion } from '../use-reduced-motion';

const HEIGHT = 56;
const WIDTH = 600;
const TOP = 8;
const BASE = HEIGHT - 10;

const PHASES = ['in', 'hold', 'out', 'pause'] as const;
export type BreathWords = Record<(typeof PHASES)[number], string>;
const WORDS: BreathWords = {
  in: 'Breathe in',
  hold: 'Hold softly',
  out: 'Breathe out',
  pause: 'Wait',
};

/** The phase of a breath at a time into it, and how far through the phase it is, 0 to 1. */
export function breathPhase(
  pattern: BreathPattern,
  intoMs: number,
): { phase: (typeof PHASES)[number]; share: number } {
  let left = intoMs / 1000;
  for (const phase of PHASES) {
    if (left < pattern[phase]) return { phase, share: left / pattern[phase] };
    left -= pattern[phase];
  }
  return { phase: 'pause', share: 1 };
}

/** The timing of a slope of the hill, so that the dot stays on the line. */
const SLOPE = 'cubic-bezier(0.5, 0, 0.5, 1)';
/** How far the dot may be from its time before it is put right, in ms. */
const OFF_MS = 60;
const DOT = 16;

export interface BreathLineProps {
  pattern: BreathPattern;
  /** Time into the step, in ms. */
  elapsedMs: number;
  running: boolean;
  words?: BreathWords;
  /** What is said instead while it stands: nobody is to hold their breath for as long as a pause lasts. */
  resting?: string;
  /** On a small screen. */
  small?: boolean;
}

/** A hill for each breath, and a dot that climbs it on the in-breath. */
export function BreathLine(props: BreathLineProps) {
  const { pattern, elapsedMs, running, words = WORDS, resting, small = false } = props;
  const reduced = useReducedMotion();
  const totalS = PHASES.reduce((sum, phase) => sum + pattern[phase], 0);
  const x = (seconds: number) => (WIDTH * seconds) / totalS;
  const top = pattern.in + pattern.hold;
  const end = top + pattern.out;
  const hill = [
    `M 0 ${BASE}`,
    `C ${x(pattern.in / 2)} ${BASE}, ${x(pattern.in / 2)} ${TOP}, ${x(pattern.in)} ${TOP}`,
    `L ${x(top)} ${TOP}`,
    `C ${x(top + pattern.out / 2)} ${TOP}, ${x(top + pattern.out / 2)} ${BASE}, ${x(end)} ${BASE}`,
    `L ${WIDTH} ${BASE}`,
  ].join(' ');
  return (
    <div className="mt-2 flex items-center gap-4" data-testid="breath">
      <div className="relative h-14 min-w-0 flex-1 overflow-x-clip [contain:layout_style]">
        <svg
          viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
          className="h-full w-full"
          preserveAspectRatio="none"
          aria-hidden
        >
          <path d={hill} fill="none" stroke="currentColor" strokeWidth={3} strokeOpacity={0.45} />
        </svg>
        {/* What moves where nobody sees it has the browser draw sixty times a second all the same. */}
        {!reduced && <BreathDot pattern={pattern} elapsedMs={elapsedMs} running={running} />}
      </div>
      <p className={small ? 'w-28 font-semibold' : 'w-40 text-2xl font-semibold'}>
        {(!running && resting) || <Phase {...{ pattern, elapsedMs, running, words }} />}
      </p>
    </div>
  );
}

interface PhaseProps extends Pick<BreathLineProps, 'pattern' | 'elapsedMs' | 'running'> {
  words: BreathWords;
}

/** What is to be done with the breath now. The word changes on its beat, also where the page is looked at beside it. */
function Phase({ pattern, elapsedMs, running, words }: PhaseProps) {
  const [reached, setReached] = useState({ from: elapsedMs, ms: 0 });
  const totalMs = PHASES.reduce((sum, phase) => sum + 1000 * pattern[phase], 0);
  const nowMs = elapsedMs + (reached.from === elapsedMs ? reached.ms : 0);
  const { phase, share } = breathPhase(pattern, nowMs % totalMs);
  const leftMs = Math.ceil(1000 * (1 - share) * pattern[phase]);
  useEffect(() => {
    if (!running || leftMs <= 0) return;
    const timer = setTimeout(
      () => setReached({ from: elapsedMs, ms: nowMs - elapsedMs + leftMs }),
      leftMs,
    );
    return () => clearTimeout(timer);
  }, [running, elapsedMs, nowMs, leftMs]);
  return words[phase];
}

/** The browser moves the dot by itself; it is only put right where it is not at its time. */
function BreathDot({ pattern, elapsedMs, running }: BreathLineProps) {
  const across = useRef<HTMLSpanElement>(null);
  const height = useRef<HTMLSpanElement>(null);
  const moves = useRef<Animation[]>([]);
  const { in: inS, hold, out, pause } = pattern;
  useEffect(() => {
    const totalS = inS + hold + out + pause;
    const timing = { duration: totalS * 1000, iterations: Number.POSITIVE_INFINITY };
    const low = 'translateY(0)';
    const high = `translateY(${TOP - BASE}px)`;
    const made = [
      across.current?.animate({ transform: ['none', 'translateX(100%)'] }, timing),
      height.current?.animate(
        [
          { offset: 0, transform: low, easing: SLOPE },
          { offset: inS / totalS, transform: high },
          { offset: (inS + hold) / totalS, transform: high, easing: SLOPE },
          { offset: (inS + hold + out) / totalS, transform: low },
          { offset: 1, transform: low },
        ],
        timing,
      ),
    ];
    moves.current = made.flatMap((move) => move ?? []);
    for (const move of moves.current) move.pause();
    return () => {
      for (const move of moves.current) move.cancel();
    };
  }, [inS, hold, out, pause]);
  useEffect(() => {
    for (const move of moves.current) {
      // What pauses goes on until the next frame, unless it is told where to stand after it was paused.
      if (!running && move.playState === 'running') move.pause();
      const off = Math.abs(Number(move.currentTime) - elapsedMs);
      if (running ? off > OFF_MS : off > 0 || move.pending) move.currentTime = elapsedMs;
      if (running && move.playState !== 'running') move.play();
    }
  }, [elapsedMs, running]);
  return (
    <span
      ref={across}
      className="absolute inset-x-0 top-0 h-full will-change-transform motion-reduce:hidden"
      aria-hidden
    >
      <span ref={height} className="absolute will-change-transform" style={{ top: BASE - DOT / 2 }}>
        <span
          className="own-colours bg-accent absolute rounded-full"
          style={{ width: DOT, height: DOT, left: -DOT / 2 }}
        />
      </span>
    </span>
  );
}
