import clsx from 'clsx';
import { AREA_NAMES, type Area, type Stroke } from '@/core/move';
import { HALF_LINES, HEAD, MIDDLE_LINES, PATCHES, PUPIL, VIEW_BOX } from './shapes';
import { Strokes } from './strokes';

export interface FaceDialProps {
  /** Height in px; the width follows. */
  size: number;
  /** How strongly each area is filled, 0 to 1. */
  fill?: Partial<Record<Area, number>>;
  /** The dial is a mirror: your left is on the left. */
  side?: 'left' | 'right' | 'both';
  /** The outline as a timer: how much of it has run, 0 to 1. The areas then glow up softly. */
  progress?: number;
  /** Ways of strokes and directions of pulls. */
  strokes?: readonly Stroke[];
  /** Makes the areas buttons; the filled ones count as pressed. */
  onToggle?: (area: Area) => void;
  /** What the picture says, for those who do not see it. */
  label?: string;
  className?: string;
}

const MIRROR = 'matrix(-1 0 0 1 400 0)';
const halves = ['left', 'right'] as const;
const transformOf = (half: (typeof halves)[number]) => (half === 'right' ? MIRROR : undefined);

/**
 * The sign of the product: one face, whose areas fill and whose outline can run as a timer. Strokes and
 * fills are thinned each on their own, since an opacity of a whole element is composed apart at every frame.
 */
export function FaceDial(props: FaceDialProps) {
  const { size, fill = {}, side = 'both', progress, strokes, onToggle, label, className } = props;
  const fine = size < 90;
  const line = fine ? 9 : 3.4;
  const shown = halves.filter((half) => side === 'both' || side === half);
  return (
    <svg
      viewBox={VIEW_BOX}
      height={size}
      width={size * 0.8}
      role={onToggle ? 'group' : 'img'}
      aria-label={label ?? inWords(fill)}
      className={clsx('text-base-content', className)}
      fill="none"
      stroke="currentColor"
      strokeLinecap="round"
      strokeLinejoin="round"
    >
      <g stroke="none" fill="var(--color-accent)">
        {PATCHES.map(({ area, path, paired }) => {
          const strength = fill[area] ?? 0;
          const paths = paired ? (
            halves.map((half) => (
              <PatchPath
                key={half}
                path={path}
                strength={shown.includes(half) ? strength : 0}
                soft={progress !== undefined}
                transform={transformOf(half)}
              />
            ))
          ) : (
            <PatchPath key="middle" path={path} strength={strength} soft={progress !== undefined} />
          );
          return onToggle ? (
            <AreaButton key={area} area={area} pressed={strength > 0} onToggle={onToggle}>
              {paths}
            </AreaButton>
          ) : (
            <g key={area}>{paths}</g>
          );
        })}
      </g>
      <g pointerEvents="none">
        <path d={HEAD} strokeWidth={line} strokeOpacity={progress === undefined ? 1 : 0.35} />
        {progress !== undefined && (
          <path
            d={HEAD}
            pathLength={1}
            strokeWidth={fine ? 22 : 11}
            stroke="var(--color-accent)"
            strokeDasharray={`${Math.max(0, Math.min(1, progress))} 2`}
            strokeOpacity={progress > 0 ? 1 : 0}
          />
        )}
        {halves.map((half) => (
          <g key={half} transform={transformOf(half)} strokeWidth={line}>
            <path d={HALF_LINES.ear} />
            <path d={HALF_LINES.brow} strokeWidth={line * 1.1} />
            <path d={HALF_LINES.lid} />
            {!fine && <path d={HALF_LINES.lowerLid} strokeWidth={line * 0.6} strokeOpacity={0.6} />}
            <circle {...PUPIL} fill="currentColor" stroke="none" />
            <path d={HALF_LINES.neck} />
            {!fine && <path d={HALF_LINES.collarbone} strokeOpacity={0.55} />}
          </g>
        ))}
        <g strokeWidth={line}>
          <path d={MIDDLE_LINES.nose} />
          <path d={MIDDLE_LINES.mouth} />
          {!fine && (
            <>
              <path d={MIDDLE_LINES.upperLip} strokeWidth={line * 0.8} strokeOpacity={0.8} />
              <path d={MIDDLE_LINES.lowerLip} strokeWidth={line * 0.7} strokeOpacity={0.6} />
              <path d={MIDDLE_LINES.hairline} strokeWidth={line * 0.6} strokeOpacity={0.4} />
            </>
          )}
        </g>
        {strokes && !fine && <Strokes strokes={strokes} transforms={shown.map(transformOf)} />}
      </g>
    </svg>
  );
}

interface AreaButtonProps {
  area: Area;
  pressed: boolean;
  onToggle: (area: Area) => void;
  children: React.ReactNode;
}

function AreaButton({ area, pressed, onToggle, children }: AreaButtonProps) {
  return (
    // biome-ignore lint/a11y/useSemanticElements: HTML buttons cannot stand inside an SVG drawing.
    <g
      role="button"
      tabIndex={0}
      aria-pressed={pressed}
      aria-label={AREA_NAMES[area]}
      className="cursor-pointer hover:opacity-80"
      onClick={() => onToggle(area)}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        onToggle(area);
      }}
    >
      <title>{AREA_NAMES[area]}</title>
      {children}
    </g>
  );
}

interface PatchPathProps {
  path: string;
  strength: number;
  /** Changes softly instead of at once. */
  soft: boolean;
  transform?: string;
}

function PatchPath({ path, strength, soft, transform }: PatchPathProps) {
  return (
    <path
      d={path}
      transform={transform}
      fillOpacity={0.1 + 0.8 * Math.min(1, Math.max(0, strength))}
      className={
        soft ? 'motion-safe:transition-[fill-opacity] motion-safe:duration-500' : undefined
      }
    />
  );
}

function inWords(fill: Partial<Record<Area, number>>): string {
  const worked = (Object.keys(fill) as Area[]).filter((area) => (fill[area] ?? 0) > 0);
  return worked.length
    ? `Face, working: ${worked.map((area) => AREA_NAMES[area]).join(', ')}`
    : 'Face, at rest';
}
