import type { z } from 'zod';
import type { Area, Dose, MoveText, moveSchema } from '@/core/move';

/** A move without its words; those stand in a folder a language. */
export type MoveShape = Omit<z.input<typeof moveSchema>, 'text'>;
/** The words of the moves of one area, by move id. */
export type AreaWords = Record<string, MoveText>;

/** A dose with the shortest and the longest sensible work part in seconds. */
type Ranged = { dose: Dose; range: [number, number] };

export const hold = (seconds: number, range: [number, number]): Ranged => ({
  dose: { kind: 'hold', seconds },
  range,
});
export const reps = (count: number, secondsEach: number, range: [number, number]): Ranged => ({
  dose: { kind: 'reps', reps: count, secondsEach },
  range,
});
export const passes = (count: number, secondsEach: number, range: [number, number]): Ranged => ({
  dose: { kind: 'passes', passes: count, secondsEach },
  range,
});
export const taps = (count: number, tempo: number, range: [number, number]): Ranged => ({
  dose: { kind: 'taps', taps: count, tempo },
  range,
});
export const counts = (count: number, tempo: number, range: [number, number]): Ranged => ({
  dose: { kind: 'counts', counts: count, tempo },
  range,
});
export const breaths = (
  count: number,
  pattern: { in: number; hold?: number; out: number; pause?: number },
  range: [number, number],
): Ranged => ({
  dose: { kind: 'breaths', breaths: count, pattern: { hold: 0, pause: 0, ...pattern } },
  range,
});
export const open = (seconds: number, range: [number, number]): Ranged => ({
  dose: { kind: 'open', seconds, floorSeconds: range[0], ceilingSeconds: range[1] },
  range,
});

type More = Partial<Omit<MoveShape, 'id' | 'kind' | 'areas' | 'dose' | 'range'>>;

/** What a kind of move usually is; a move says only what is different. */
const usual =
  (kind: MoveShape['kind'], defaults: Omit<MoveShape, 'id' | 'kind' | 'areas' | 'dose'>) =>
  (id: string, areas: MoveShape['areas'], ranged: Ranged, more: More = {}): MoveShape => ({
    id,
    kind,
    areas,
    ...defaults,
    ...ranged,
    ...more,
    variants: { easier: {}, ...more.variants },
  });

const level = { sides: 'together', head: 'level', surface: 'either', rounds: 1 } as const;

export const breath = usual('breath', {
  ...level,
  hands: 'light',
  releaseSeconds: 6,
  release: 'none',
  purposes: ['calm'],
});
export const warmup = usual('warmup', {
  ...level,
  hands: 'free',
  releaseSeconds: 0,
  release: 'none',
  purposes: ['wakeUp', 'posture'],
});
export const stretch = usual('stretch', {
  ...level,
  hands: 'free',
  releaseSeconds: 5,
  release: 'none',
  purposes: ['posture', 'calm'],
});
export const exercise = usual('exercise', {
  ...level,
  hands: 'free',
  rounds: 3,
  releaseSeconds: 8,
  release: 'tap',
  purposes: ['tone'],
});
export const massage = usual('massage', {
  ...level,
  hands: 'light',
  pressure: 'light',
  surface: 'glide',
  releaseSeconds: 0,
  release: 'none',
  props: ['oil'],
  purposes: ['calm'],
});
export const point = usual('point', {
  ...level,
  hands: 'light',
  pressure: 'medium',
  releaseSeconds: 5,
  release: 'massage',
  demands: ['strongPoint'],
  purposes: ['calm'],
});

/** What hands reach on their way over the whole face, the eyes left out. */
export const OVER_THE_FACE: Area[] = [
  'forehead',
  'brows',
  'temples',
  'nose',
  'upperCheeks',
  'lowerCheeks',
  'mouth',
  'chin',
  'jaw',
];
