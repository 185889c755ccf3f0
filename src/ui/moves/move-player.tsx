'use client';

import { PHRASES } from '@library/phrases';
import { ImageDown, Pause, Play, SkipBack, SkipForward } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { addSegment, emptyPlan, segmentOf } from '@/core/class';
import { actsOf, poseAt, standing } from '@/core/face';
import { type Move, moveText, VARIANTS, type Variant } from '@/core/move';
import { type Book, compile, type Side, type Step, type StepKind } from '@/core/score';
import { MovingFace, pictureOfMove, savePictures, useFacing, useTracks } from '../kit/face-dial';
import { FaceLookChoice } from '../kit/face-dial/face-look';
import { useReducedMotion } from '../kit/use-reduced-motion';

const DOING: Record<StepKind, string> = {
  upbeat: 'Getting ready',
  work: 'Work',
  switch: 'Changing sides',
  release: 'Letting go',
  rest: 'Rest',
};
const SIDES: Partial<Record<Side, string>> = {
  left: 'left side',
  right: 'right side',
  one: 'one way',
  other: 'the other way',
};
const PACES = { usual: 1, half: 0.5 } as const;
type Pace = keyof typeof PACES;
const VERSION_NAMES = { usual: 'As usual', easier: 'Easier', harder: 'Harder' } as const;

/** A move's steps as they come in a class of this move alone, once. */
function stepsOf(move: Move, variant: Variant | undefined): Step[] {
  const segment = { ...segmentOf(move, 's'), rounds: 1, ...(variant && { variant }) };
  const empty = { ...emptyPlan(moveText(move).name, 3600), moves: [move] };
  const plan = addSegment(empty, segment, 'work');
  const book: Book = {
    move: (id) => (id === move.id ? move : undefined),
    phrases: (language) => PHRASES[language],
  };
  return compile(plan, book).steps.filter((step) => step.segmentId === 's');
}

/** One move, done over and over: played, slowly too, or looked at step by step. */
export function MovePlayer({ move }: { move: Move }) {
  const [version, setVersion] = useState<Variant | 'usual'>('usual');
  const [pace, setPace] = useState<Pace>('usual');
  const [playing, setPlaying] = useState(false);
  const [index, setIndex] = useState(0);
  const [facing, setFacing] = useFacing();
  const reduced = useReducedMotion();
  const variant = version === 'usual' ? undefined : version;
  const moves = useMemo(() => new Map([[move.id, move]]), [move]);
  const tracks = useTracks(moves);
  const steps = useMemo(() => stepsOf(move, variant), [move, variant]);
  const acts = useMemo(() => actsOf(steps, tracks), [steps, tracks]);
  const still = useMemo(() => standing(acts, index), [acts, index]);
  /** How far the step is, in ms, and when that was looked at. */
  const at = useRef({ ms: 0, looked: 0 });
  const step = steps[index];

  const go = (to: number) => {
    at.current = { ms: 0, looked: performance.now() };
    setIndex((to + steps.length) % steps.length);
  };
  const poseNow = () => {
    const now = performance.now();
    if (playing) at.current.ms += (now - at.current.looked) * PACES[pace];
    at.current.looked = now;
    return playing || at.current.ms > 0 ? poseAt(acts, index, at.current.ms) : still;
  };
  useEffect(() => {
    if (!playing || !step) return;
    at.current.looked = performance.now();
    const left = Math.max(0, step.durationMs - at.current.ms) / PACES[pace];
    const timer = setTimeout(() => {
      at.current = { ms: 0, looked: performance.now() };
      setIndex((i) => (i + 1) % steps.length);
    }, left);
    return () => clearTimeout(timer);
  }, [playing, step, steps, pace]);

  const side = step?.side === 'left' || step?.side === 'right' ? step.side : 'both';
  const versions = ['usual', ...VARIANTS.filter((v) => move.variants[v])] as const;
  return (
    <figure>
      <MovingFace
        size={400}
        fill={move.areas}
        side={side}
        strokes={step?.kind === 'work' ? move.strokes : undefined}
        className="mx-auto max-w-full"
        {...{ facing, poseNow, still }}
        running={playing && !reduced}
      />
      <figcaption className="mt-1 text-center text-sm" data-testid="doing">
        {step && [DOING[step.kind], SIDES[step.side]].filter(Boolean).join(', ')}
      </figcaption>
      <div className="mt-2 flex flex-wrap items-center justify-center gap-2">
        <button
          type="button"
          className="btn btn-sm"
          aria-label="Step back"
          onClick={() => go(index - 1)}
        >
          <SkipBack size={16} aria-hidden />
        </button>
        <button
          type="button"
          className="btn btn-sm btn-primary w-24"
          onClick={() => {
            at.current.looked = performance.now();
            setPlaying(!playing);
          }}
        >
          {playing ? <Pause size={16} aria-hidden /> : <Play size={16} aria-hidden />}
          {playing ? 'Pause' : 'Play'}
        </button>
        <button
          type="button"
          className="btn btn-sm"
          aria-label="Step on"
          onClick={() => go(index + 1)}
        >
          <SkipForward size={16} aria-hidden />
        </button>
        <label className="flex min-h-8 items-center gap-2 text-sm">
          <input
            type="checkbox"
            className="toggle toggle-sm"
            checked={pace === 'half'}
            onChange={(event) => setPace(event.target.checked ? 'half' : 'usual')}
          />
          Slowly
        </label>
        <label className="flex min-h-8 items-center gap-2 text-sm">
          <input
            type="checkbox"
            className="toggle toggle-sm"
            checked={!facing}
            onChange={(event) => setFacing(!event.target.checked)}
          />
          As in a mirror
        </label>
      </div>
      {versions.length > 1 && (
        <fieldset className="mt-2 flex justify-center gap-1" aria-label="Version">
          {versions.map((v) => (
            <button
              key={v}
              type="button"
              className="btn btn-sm"
              aria-pressed={version === v}
              onClick={() => {
                setVersion(v);
                go(0);
              }}
            >
              {VERSION_NAMES[v]}
            </button>
          ))}
        </fieldset>
      )}
      <p className="mt-2 text-center">
        <button
          type="button"
          className="btn btn-ghost btn-sm"
          onClick={() => savePictures(moveText(move).name, pictureOfMove(move, variant))}
        >
          <ImageDown size={16} aria-hidden /> Save its picture
        </button>
      </p>
      <details className="mt-1 text-center">
        <summary className="quiet cursor-pointer text-sm">How the face is drawn</summary>
        <FaceLookChoice />
      </details>
    </figure>
  );
}
