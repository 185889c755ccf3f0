import { breaths, counts, type MoveShape, reps, stretch, warmup } from '../shape';

/** Body warm-ups. */
export const bodyMoves: MoveShape[] = [
  warmup('shoulder-rolls-both-ways', { shoulders: 1, chest: 0.4 }, reps(6, 5, [15, 60]), {
    muscles: ['trapezius'],
    sides: 'directions',
  }),
  warmup('chest-circles', { chest: 1, shoulders: 0.5 }, reps(5, 4, [12, 60]), {
    muscles: ['pectoralis major', 'trapezius'],
    sides: 'directions',
  }),
  warmup(
    'elbow-circles-with-breath',
    { shoulders: 1, chest: 0.5 },
    breaths(5, { in: 3, out: 3 }, [12, 60]),
    {
      muscles: ['trapezius', 'pectoralis major'],
      sides: 'directions',
      hands: 'light',
      touch: ['shoulders'],
      variants: { easier: { hands: 'free' } },
    },
  ),
  warmup(
    'neck-nods-with-breath',
    { shoulders: 0.8, frontNeck: 0.4 },
    breaths(5, { in: 3, out: 4 }, [14, 60]),
    {
      muscles: ['suboccipital muscles', 'sternocleidomastoid'],
      head: 'back',
      variants: { easier: { head: 'down' } },
    },
  ),
  stretch(
    'chin-over-shoulder',
    { sideNeck: 1, shoulders: 0.4 },
    breaths(5, { in: 2, out: 2 }, [8, 50]),
    {
      muscles: ['sternocleidomastoid', 'scalene muscles'],
      sides: 'each',
      head: 'turned',
    },
  ),
  stretch(
    'side-lean-with-hand',
    { sideNeck: 1, shoulders: 0.5 },
    breaths(5, { in: 2, out: 2 }, [8, 50]),
    {
      muscles: ['scalene muscles', 'trapezius'],
      sides: 'each',
      head: 'leaning',
      hands: 'light',
      touch: ['scalp'],
      variants: { easier: { hands: 'free' }, harder: {} },
    },
  ),
  stretch(
    'side-lean-tapping',
    { sideNeck: 1, shoulders: 0.4 },
    breaths(5, { in: 2, out: 2 }, [8, 40]),
    {
      muscles: ['scalene muscles', 'trapezius'],
      sides: 'each',
      head: 'leaning',
      hands: 'light',
      pressure: 'feather',
      touch: ['sideNeck', 'shoulders'],
      variants: { easier: { head: 'level' } },
    },
  ),
  warmup('head-half-circles', { sideNeck: 0.8, shoulders: 0.8 }, reps(4, 6, [12, 60]), {
    muscles: ['sternocleidomastoid', 'trapezius'],
    sides: 'alternating',
    head: 'down',
  }),
  stretch('elbows-wide-elbows-in', { shoulders: 1, chest: 0.6 }, counts(10, 60, [6, 40]), {
    muscles: ['trapezius', 'suboccipital muscles', 'pectoralis major'],
    rounds: 3,
    head: 'down',
    hands: 'light',
    touch: ['scalp'],
    variants: { easier: { head: 'level' } },
  }),
];
