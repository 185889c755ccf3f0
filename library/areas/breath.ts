import { breath, breaths, hold, type MoveShape } from '../shape';

/** Breath and quiet. */
export const breathMoves: MoveShape[] = [
  breath(
    'slow-belly-breaths',
    { chest: 0.6, shoulders: 0.2 },
    breaths(4, { in: 4, out: 6 }, [20, 120]),
    {
      muscles: ['diaphragm'],
      touch: [],
      purposes: ['calm', 'posture', 'voice'],
    },
  ),
  breath('nose-in-mouth-out', { chest: 0.6, mouth: 0.2 }, breaths(3, { in: 4, out: 6 }, [20, 90]), {
    muscles: ['diaphragm'],
    hands: 'free',
    purposes: ['calm', 'voice'],
  }),
  breath(
    'warm-palms-over-eyes',
    { eyes: 0.5, forehead: 0.3 },
    breaths(5, { in: 3, out: 4 }, [14, 120]),
    {
      purposes: ['calm', 'eyes'],
      closes: true,
      variants: { easier: { hands: 'free' } },
    },
  ),
  breath(
    'travelling-palms',
    {
      eyes: 0.3,
      forehead: 0.3,
      upperCheeks: 0.3,
      lowerCheeks: 0.3,
      jaw: 0.3,
      frontNeck: 0.2,
      chest: 0.3,
    },
    breaths(6, { in: 3, out: 5 }, [24, 90]),
    {
      purposes: ['calm'],
      closes: true,
      variants: { easier: { touch: ['chest'] } },
    },
  ),
  breath(
    'arms-up-arms-down',
    { shoulders: 0.6, chest: 0.6 },
    breaths(3, { in: 4, hold: 2, out: 6 }, [24, 60]),
    {
      muscles: ['trapezius', 'diaphragm'],
      hands: 'free',
      demands: ['breathHold'],
      purposes: ['wakeUp', 'posture'],
      variants: {
        easier: { demands: [], dose: breaths(3, { in: 4, out: 6 }, [24, 60]).dose },
      },
    },
  ),
  breath('closing-word', { chest: 0.3, mouth: 0.2 }, hold(15, [5, 60]), {
    hands: 'free',
    purposes: ['calm', 'voice'],
    closes: true,
    uncounted: true,
  }),
];
