import clsx from 'clsx';
import type { BeatLine as Line, Look } from '@/core/streak';
import { arcPath, linePieces, placesOf } from './shape';

const KEPT = 'var(--color-secondary)';
const MISSED = 'var(--color-error)';
const GREY = 'var(--grey)';

/** One beat: kept full, late half full, missed a ring below the line, and so on; it needs no colour to be read. */
export function BeatSign({
  look,
  x,
  y,
  r = 4.5,
}: {
  look: Look;
  x: number;
  y: number;
  r?: number;
}) {
  switch (look) {
    case 'kept':
      return <circle cx={x} cy={y} r={r} fill={KEPT} />;
    case 'late':
      return (
        <g>
          <circle
            cx={x}
            cy={y}
            r={r - 0.75}
            fill="var(--color-base-100)"
            stroke={KEPT}
            strokeWidth={1.5}
          />
          <path d={`M${x} ${y - r}a${r} ${r} 0 0 0 0 ${2 * r}z`} fill={KEPT} />
        </g>
      );
    case 'missed':
      return (
        <circle cx={x} cy={y + 2.2 * r} r={r - 1} fill="none" stroke={MISSED} strokeWidth={1.75} />
      );
    case 'off':
      return (
        <path
          d={`M${x - r} ${y + 0.8 * r}L${x + r} ${y - 0.8 * r}`}
          stroke={GREY}
          strokeWidth={1.75}
          strokeLinecap="round"
        />
      );
    case 'grain':
      return <circle cx={x} cy={y} r={1.75} fill={GREY} />;
    case 'to come':
      return (
        <circle
          cx={x}
          cy={y}
          r={r - 0.75}
          fill="var(--color-base-100)"
          stroke={GREY}
          strokeWidth={1.25}
          strokeDasharray="1.6 1.6"
        />
      );
  }
}

/**
 * Regularity, drawn: a line on which each meeting, week or day is a beat, and arcs that hold together what was
 * kept in a row, as notes are. The arc of what runs now is thick.
 */
export function BeatLine({ line, large = false }: { line: Line; large?: boolean }) {
  const { xs, width } = placesOf(line.looks.length, large);
  const height = large ? 56 : 40;
  const y = large ? 36 : 26;
  return (
    <svg
      role="img"
      aria-label={line.says}
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      height={height}
      className={clsx('block', large ? 'max-w-full' : 'max-w-none')}
    >
      {linePieces(line.looks, xs, width).map(([from, to]) => (
        <path
          key={from}
          d={`M${from} ${y}H${to}`}
          stroke="var(--color-base-300)"
          strokeWidth={2}
          strokeLinecap="round"
        />
      ))}
      {line.arcs.map((arc) => (
        <path
          key={arc.from}
          d={arcPath(arc, { xs, y })}
          fill="none"
          stroke={arc.now ? 'var(--color-accent)' : 'var(--color-base-300)'}
          strokeWidth={arc.now ? 3 : 2}
          strokeLinecap="round"
        />
      ))}
      {line.looks.map((look, i) => (
        <BeatSign
          // biome-ignore lint/suspicious/noArrayIndexKey: a beat is its place
          key={i}
          look={look}
          x={xs[i] ?? 0}
          y={y}
        />
      ))}
    </svg>
  );
}
