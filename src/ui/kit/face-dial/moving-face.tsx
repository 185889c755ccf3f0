'use client';

import clsx from 'clsx';
import { memo, useLayoutEffect, useRef } from 'react';
import {
  type Drawing,
  geometry,
  handsIn,
  type PartName,
  type Pose,
  patchesOf,
  STYLES,
  strokePath,
} from '@/core/face';
import { useReducedMotion, wantsNoMovement } from '../use-reduced-motion';
import { FaceDial, type FaceDialProps, isFine, lineOf } from './face-dial';
import { piecesOf } from './figure';

export interface MovingFaceProps extends Omit<FaceDialProps, 'pose' | 'ref' | 'onToggle'> {
  /** What it does now; asked at every frame while it runs. */
  poseNow: () => Pose;
  /** Whether it moves; where it stands, it is drawn as it is. */
  running: boolean;
  /** Whether it is still on its way to where it stands. */
  onItsWay?: () => boolean;
  /** The picture that stands for what it does, where there is no movement. */
  still: Pose;
}

/** The face, moving. Its lines are changed in place at every frame, past React; nothing is drawn out of sight. */
export const MovingFace = memo(function MovingFace(props: MovingFaceProps) {
  const { poseNow, running, onItsWay, still, ...dial } = props;
  const ref = useRef<SVGSVGElement>(null);
  const { size, strokes, side = 'both' } = dial;
  const latest = useRef({ poseNow, strokes, side });
  latest.current = { poseNow, strokes, side };
  const reduced = useReducedMotion();
  const moves = running && !reduced;
  /** Whether its lines were changed past React. */
  const changed = useRef(false);

  useLayoutEffect(() => {
    const svg = ref.current;
    if (!svg || reduced || wantsNoMovement()) return;
    const draw = drawer(svg, size, changed.current ? null : still);
    const look = () => {
      const { poseNow: now, ...more } = latest.current;
      if (draw(now(), more)) changed.current = true;
    };
    look();
    const goesOn = () => moves || (onItsWay?.() ?? false);
    if (!goesOn()) return;
    let frame = 0;
    let inSight = true;
    const watch = new IntersectionObserver((seen) => {
      inSight = seen.at(-1)?.isIntersecting ?? true;
    });
    watch.observe(svg);
    const next = () => {
      if (inSight) look();
      if (goesOn()) frame = requestAnimationFrame(next);
    };
    frame = requestAnimationFrame(next);
    return () => {
      watch.disconnect();
      cancelAnimationFrame(frame);
    };
  }, [moves, reduced, size, still, onItsWay]);

  return (
    <FaceDial
      // Where no movement is wanted any more, it is drawn anew.
      key={reduced && changed.current ? 'stands' : 'moves'}
      {...dial}
      pose={still}
      ref={ref}
      className={clsx('will-change-transform', dial.className)}
    />
  );
});

type More = Pick<FaceDialProps, 'strokes' | 'side'>;

/** So little of a unit, or of a hand's way, is not to be seen. */
const UNSEEN = 0.004;

function looksAlike(a: Pose, b: Pose): boolean {
  if (a.hands !== b.hands) return false;
  if (a.hands.length > 0) {
    const moved = Math.max(
      Math.abs(a.along - b.along),
      Math.abs(a.round - b.round),
      Math.abs(a.reach - b.reach),
    );
    if (moved > UNSEEN) return false;
  }
  return a.units.every((much, i) => Math.abs(much - (b.units[i] ?? 0)) <= UNSEEN);
}

/**
 * Writes a pose into a face that was drawn. Only what is another than before is written.
 * @param drawn the pose that it was drawn in, where that is known
 * @returns whether anything was to be written
 */
function drawer(
  svg: SVGSVGElement,
  size: number,
  drawn: Pose | null,
): (pose: Pose, more: More) => boolean {
  const fine = isFine(size);
  const line = lineOf(size);
  const find = (attribute: string) =>
    [...svg.querySelectorAll<SVGPathElement>(`[${attribute}]`)].map(
      (path) => [path.getAttribute(attribute) ?? '', path] as const,
    );
  const parts = find('data-part');
  const patches = new Map(find('data-patch'));
  const timer = svg.querySelector<SVGPathElement>('[data-timer]');
  const arrows = svg.querySelector<SVGPathElement>('[data-strokes]');
  const hands = find('data-hand').map(([slot, group]) => ({
    hand: slot.split(' ')[0],
    behind: slot.includes('behind'),
    pieces: [...group.querySelectorAll<SVGPathElement>('[data-piece]')].map(
      (path) => [path.dataset.piece ?? '', path] as const,
    ),
  }));
  const written = new WeakMap<Element, Record<string, string>>();
  const write = (to: Element | null | undefined, name: string, value: string) => {
    if (!to) return;
    const known = written.get(to) ?? {};
    written.set(to, known);
    if (known[name] === value) return;
    known[name] = value;
    to.setAttribute(name, value);
  };
  let last = drawn;
  return (pose, { strokes, side }) => {
    if (last && looksAlike(last, pose)) return false;
    last = pose;
    const drawing: Drawing = geometry(pose);
    for (const [name, path] of parts) {
      const { d, o = 1 } = drawing[name as PartName];
      write(path, 'd', d);
      const { opacity = 1 } = STYLES[name as PartName];
      write(path, 'stroke-opacity', String(Math.round(opacity * o * 100) / 100));
    }
    write(timer, 'd', drawing.head.d);
    const areas = [...patches.keys()].map((key) => key.split(' ')[0] ?? key);
    for (const { area, left, right } of patchesOf(pose, new Set(areas))) {
      write(patches.get(right === undefined ? area : `${area} left`), 'd', left);
      if (right !== undefined) write(patches.get(`${area} right`), 'd', right);
    }
    if (arrows && strokes) {
      const halves = side === 'left' || side === 'right' ? [side] : (['left', 'right'] as const);
      write(arrows, 'd', strokePath(pose, strokes, halves));
    }
    if (fine) return true;
    const inPose = handsIn(pose);
    for (const { hand, behind, pieces } of hands) {
      const its = piecesOf(
        inPose.find((h) => h.hand === hand && h.behind === behind),
        line,
      );
      for (const [name, path] of pieces) {
        write(path, 'd', its[name]?.d ?? '');
        write(path, 'stroke-width', String(its[name]?.width ?? 0));
      }
    }
    return true;
  };
}
