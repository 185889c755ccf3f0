import clsx from 'clsx';
import { memo, type Ref } from 'react';
import {
  BEHIND,
  type Drawing,
  fillOpacity,
  geometry,
  type HandDrawing,
  handsIn,
  PARTS,
  type PartName,
  type Pose,
  patchesOf,
  STILL,
  STYLES,
  strokePath,
  VIEW_BOX,
} from '@/core/face';
import { AREA_NAMES, type Area, type Stroke } from '@/core/move';
import { Hand, Part } from './figure';

export interface FaceDialProps {
  /** Height in px; the width follows. */
  size: number;
  /** What the face does; at rest where nothing is said. */
  pose?: Pose;
  /** How strongly each area is filled, 0 to 1. */
  fill?: Partial<Record<Area, number>>;
  /** The dial is a mirror: your left is on the left. */
  side?: 'left' | 'right' | 'both';
  /** As somebody who faces you instead: your left is on the right. */
  facing?: boolean;
  /** The outline as a timer: how much of it has run, 0 to 1. The areas then glow up softly. */
  progress?: number;
  /** Ways of strokes and directions of pulls. */
  strokes?: readonly Stroke[];
  /** Makes the areas buttons; the filled ones count as pressed. */
  onToggle?: (area: Area) => void;
  /** What the picture says, for those who do not see it. */
  label?: string;
  className?: string;
  ref?: Ref<SVGSVGElement>;
}

const HALVES = ['left', 'right'] as const;
const FRONT: readonly PartName[] = PARTS.filter((name) => !BEHIND.includes(name));

interface Lines {
  drawing: Drawing;
  patches: ReturnType<typeof patchesOf>;
  hands: readonly HandDrawing[];
}
const drawn = new WeakMap<Pose, Lines>();

/** The lines of a pose, worked out once. */
function linesOf(pose: Pose): Lines {
  const known = drawn.get(pose);
  if (known) return known;
  const lines = { drawing: geometry(pose), patches: patchesOf(pose), hands: handsIn(pose) };
  drawn.set(pose, lines);
  return lines;
}

/** From so small on, only the strongest lines are drawn. */
const FINE_BELOW = 90;

export const isFine = (size: number): boolean => size < FINE_BELOW;
export const lineOf = (size: number): number => (isFine(size) ? 9 : 3.4);

/**
 * The sign of the product: one face, whose areas fill, whose outline can run as a timer, and which does what a move
 * asks. Strokes and fills are thinned each on their own, since an opacity of a whole element is composed apart at
 * every frame.
 */
export function FaceDial(props: FaceDialProps) {
  const { size, pose = STILL, fill = {}, side = 'both', facing = false, progress } = props;
  const { strokes, onToggle, label, className, ref } = props;
  const fine = isFine(size);
  const line = lineOf(size);
  const { drawing, patches, hands } = linesOf(pose);
  // A face that performs shows only what works, so that it is the face one looks at.
  const bare = progress !== undefined;
  const shown = HALVES.filter((half) => side === 'both' || side === half);
  const parts = (names: readonly PartName[]) =>
    names
      .filter((name) => !fine || !STYLES[name].fine)
      .map((name) => <Part key={name} name={name} drawing={drawing} line={line} />);
  const handAt = (slot: 'left' | 'right', behind: boolean) =>
    hands.find((h) => h.hand === slot && h.behind === behind);
  const handSlots = (behind: boolean) =>
    fine
      ? null
      : HALVES.map((slot) => (
          <Hand
            key={slot}
            slot={`${slot}${behind ? ' behind' : ''}`}
            hand={handAt(slot, behind)}
            line={line}
          />
        ));
  return (
    <svg
      ref={ref}
      viewBox={VIEW_BOX}
      height={size}
      width={size * 0.8}
      role={onToggle ? 'group' : 'img'}
      aria-label={label ?? inWords(fill)}
      className={clsx('face text-base-content', className)}
      fill="none"
      stroke="currentColor"
      strokeLinecap="round"
      strokeLinejoin="round"
    >
      <g transform={facing ? 'matrix(-1 0 0 1 400 0)' : undefined}>
        <g pointerEvents="none">{handSlots(true)}</g>
        <g pointerEvents="none">{parts(BEHIND)}</g>
        <g stroke="none" fill="var(--color-accent)">
          {patches.map(({ area, left, right }) => {
            const strength = fill[area] ?? 0;
            if (bare && strength === 0) return null;
            const soft = progress !== undefined;
            const paths =
              right === undefined ? (
                <PatchPath key="middle" path={left} strength={strength} soft={soft} area={area} />
              ) : (
                HALVES.map((half) => (
                  <PatchPath
                    key={half}
                    path={half === 'left' ? left : right}
                    strength={shown.includes(half) ? strength : 0}
                    soft={soft}
                    area={`${area} ${half}`}
                  />
                ))
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
          {progress !== undefined && (
            <path
              d={drawing.head.d}
              data-timer
              pathLength={1}
              strokeWidth={fine ? 22 : 11}
              stroke="var(--color-accent)"
              strokeDasharray={`${Math.max(0, Math.min(1, progress))} 2`}
              strokeOpacity={progress > 0 ? 1 : 0}
            />
          )}
          {parts(FRONT)}
          {strokes && !fine && (
            <path
              data-strokes
              d={strokePath(pose, strokes, shown)}
              stroke="var(--color-secondary)"
              strokeWidth={6}
            />
          )}
          {handSlots(false)}
        </g>
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
  area: string;
}

const PatchPath = memo(function PatchPath({ path, strength, soft, area }: PatchPathProps) {
  return (
    <path
      d={path}
      data-patch={area}
      fillOpacity={fillOpacity(strength)}
      className={
        soft ? 'motion-safe:transition-[fill-opacity] motion-safe:duration-500' : undefined
      }
    />
  );
});

function inWords(fill: Partial<Record<Area, number>>): string {
  const worked = (Object.keys(fill) as Area[]).filter((area) => (fill[area] ?? 0) > 0);
  return worked.length
    ? `Face, working: ${worked.map((area) => AREA_NAMES[area]).join(', ')}`
    : 'Face, at rest';
}
