import type { BreathPattern } from '@/core/move';

const HEIGHT = 56;
const WIDTH = 600;
const TOP = 8;
const BASE = HEIGHT - 10;

const PHASES = ['in', 'hold', 'out', 'pause'] as const;
const WORDS = { in: 'Breathe in', hold: 'Hold softly', out: 'Breathe out', pause: 'Wait' };

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

export interface BreathLineProps {
  pattern: BreathPattern;
  /** Time into the step, in ms. */
  elapsedMs: number;
}

/** A hill for each breath, and a dot that climbs it on the in-breath. */
export function BreathLine({ pattern, elapsedMs }: BreathLineProps) {
  const totalS = PHASES.reduce((sum, phase) => sum + pattern[phase], 0);
  const intoMs = elapsedMs % (totalS * 1000);
  const { phase, share } = breathPhase(pattern, intoMs);
  const x = (seconds: number) => (WIDTH * seconds) / totalS;
  const top = pattern.in + pattern.hold;
  const end = top + pattern.out;
  const soft = (from: number, to: number) => (to - from) / 2;
  const hill = [
    `M 0 ${BASE}`,
    `C ${x(soft(0, pattern.in))} ${BASE}, ${x(pattern.in / 2)} ${TOP}, ${x(pattern.in)} ${TOP}`,
    `L ${x(top)} ${TOP}`,
    `C ${x(top + pattern.out / 2)} ${TOP}, ${x(top + pattern.out / 2)} ${BASE}, ${x(end)} ${BASE}`,
    `L ${WIDTH} ${BASE}`,
  ].join(' ');
  /** The height of the curve above, whose control points lie in the middle of each slope. */
  const slope = (t: number) => t * t * (3 - 2 * t);
  const risen = { in: slope(share), hold: 1, out: 1 - slope(share), pause: 0 }[phase];
  return (
    <div className="mt-2 flex items-center gap-4" data-testid="breath">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="h-14 min-w-0 flex-1"
        preserveAspectRatio="none"
        aria-hidden
      >
        <path d={hill} fill="none" stroke="currentColor" strokeWidth={3} opacity={0.45} />
        <ellipse
          className="fill-accent motion-reduce:hidden"
          cx={x(intoMs / 1000)}
          cy={BASE - risen * (BASE - TOP)}
          rx={8}
          ry={8}
        />
      </svg>
      <p className="w-40 text-2xl font-semibold">{WORDS[phase]}</p>
    </div>
  );
}
