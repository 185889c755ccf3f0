import { hold, type MoveShape, point } from '../shape';

/** Pressure points. */
export const pointMoves: MoveShape[] = [
  point('between-brows-point', { brows: 1, forehead: 0.2 }, hold(20, [8, 40]), {
    muscles: ['procerus'],
    sides: 'directions',
    variants: { easier: { pressure: 'feather', demands: [] } },
  }),
  point('above-brow-points', { forehead: 1, brows: 0.4 }, hold(20, [8, 40]), {
    muscles: ['occipitofrontalis, frontal belly'],
    sides: 'directions',
    variants: { easier: { pressure: 'feather', demands: [] } },
    purposes: ['calm', 'eyes'],
  }),
  point('front-of-ear-point', { jaw: 0.8, ears: 0.5 }, hold(20, [8, 40]), {
    muscles: ['masseter'],
    sides: 'directions',
    pressure: 'light',
    demands: ['strongPoint', 'jawPressure'],
    purposes: ['jaw', 'calm'],
    variants: { easier: { pressure: 'feather', demands: [] } },
  }),
  point('temple-points', { temples: 1, eyes: 0.2 }, hold(20, [8, 40]), {
    releaseSeconds: 7,
    muscles: ['temporalis'],
    sides: 'directions',
    variants: { easier: { pressure: 'feather', demands: [] } },
    pressure: 'light',
    touch: ['temples'],
  }),
  point('skull-base-points', { shoulders: 1, scalp: 0.3 }, hold(20, [8, 40]), {
    muscles: ['suboccipital muscles', 'trapezius'],
    sides: 'directions',
    variants: { easier: { pressure: 'feather', demands: [] } },
    purposes: ['calm', 'posture'],
  }),
  point('below-ear-point', { jaw: 0.6, sideNeck: 0.6 }, hold(15, [8, 30]), {
    releaseSeconds: 7,
    muscles: ['sternocleidomastoid', 'masseter'],
    sides: 'directions',
    variants: { easier: { pressure: 'feather', demands: [] } },
    pressure: 'light',
    demands: ['strongPoint', 'jawPressure'],
    purposes: ['jaw', 'calm'],
  }),
  point('crown-point', { scalp: 1 }, hold(20, [8, 40]), {
    muscles: ['galea aponeurotica'],
    sides: 'directions',
    variants: { easier: { pressure: 'feather', demands: [] } },
  }),
];
