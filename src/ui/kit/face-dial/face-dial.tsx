import clsx from 'clsx';
import { AREA_NAMES, type Area } from '@/core/move';
import { HALF_LINES, HEAD, MIDDLE_LINES, PATCHES, PUPIL, VIEW_BOX } from './shapes';

export interface FaceDialProps {
  /** Height in px; the width follows. */
  size: number;
  /** How strongly each area is filled, 0 to 1. */
  fill?: Partial<Record<Area, number>>;
  /** The dial is a mirror: your left is on the left. */
  side?: 'left' | 'right' | 'both';
  /** The outline as a timer: how much of it has run, 0 to 1. */
  progress?: number;
  /** What the picture says, for those who do not see it. */
  label?: string;
  className?: string;
}

const MIRROR = 'matrix(-1 0 0 1 400 0)';
const halves = ['left', 'right'] as const;

/** The sign of the product: one face, whose areas fill and whose outline can run as a timer. */
export function FaceDial({
  size,
  fill = {},
  side = 'both',
  progress,
  label,
  className,
}: FaceDialProps) {
  const fine = size < 90;
  const line = fine ? 9 : 3.4;
  return (
    <svg
      viewBox={VIEW_BOX}
      height={size}
      width={size * 0.8}
      role="img"
      aria-label={label ?? inWords(fill)}
      className={clsx('text-base-content', className)}
      fill="none"
      stroke="currentColor"
      strokeLinecap="round"
      strokeLinejoin="round"
    >
      <g stroke="none" fill="var(--color-accent)">
        {PATCHES.map((patch) => {
          const strength = fill[patch.area] ?? 0;
          if (!patch.paired) {
            return <PatchPath key={patch.area} path={patch.path} strength={strength} />;
          }
          return halves.map((half) => (
            <PatchPath
              key={`${patch.area}-${half}`}
              path={patch.path}
              strength={side === 'both' || side === half ? strength : 0}
              mirrored={half === 'right'}
            />
          ));
        })}
      </g>
      <path d={HEAD} strokeWidth={line} opacity={progress === undefined ? 1 : 0.35} />
      {progress !== undefined && (
        <path
          d={HEAD}
          pathLength={1}
          strokeWidth={fine ? 22 : 11}
          stroke="var(--color-accent)"
          strokeDasharray={`${Math.max(0, Math.min(1, progress))} 2`}
          opacity={progress > 0 ? 1 : 0}
        />
      )}
      {halves.map((half) => (
        <g key={half} transform={half === 'right' ? MIRROR : undefined} strokeWidth={line}>
          <path d={HALF_LINES.ear} />
          <path d={HALF_LINES.brow} strokeWidth={line * 1.1} />
          <path d={HALF_LINES.lid} />
          {!fine && <path d={HALF_LINES.lowerLid} strokeWidth={line * 0.6} opacity={0.6} />}
          <circle {...PUPIL} fill="currentColor" stroke="none" />
          <path d={HALF_LINES.neck} />
          {!fine && <path d={HALF_LINES.collarbone} opacity={0.55} />}
        </g>
      ))}
      <g strokeWidth={line}>
        <path d={MIDDLE_LINES.nose} />
        <path d={MIDDLE_LINES.mouth} />
        {!fine && (
          <>
            <path d={MIDDLE_LINES.upperLip} strokeWidth={line * 0.8} opacity={0.8} />
            <path d={MIDDLE_LINES.lowerLip} strokeWidth={line * 0.7} opacity={0.6} />
            <path d={MIDDLE_LINES.hairline} strokeWidth={line * 0.6} opacity={0.4} />
          </>
        )}
      </g>
    </svg>
  );
}

function PatchPath({
  path,
  strength,
  mirrored,
}: {
  path: string;
  strength: number;
  mirrored?: boolean;
}) {
  return (
    <path
      d={path}
      transform={mirrored ? MIRROR : undefined}
      opacity={0.1 + 0.8 * Math.min(1, Math.max(0, strength))}
      className="motion-safe:transition-opacity motion-safe:duration-500"
    />
  );
}

function inWords(fill: Partial<Record<Area, number>>): string {
  const worked = (Object.keys(fill) as Area[]).filter((area) => (fill[area] ?? 0) > 0);
  return worked.length
    ? `Face, working: ${worked.map((area) => AREA_NAMES[area]).join(', ')}`
    : 'Face, at rest';
}
