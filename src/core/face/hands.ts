import { lineThrough, type Point, ringThrough } from './path';
import type { HandPose, Pose } from './pose';
import { type Posed, posed } from './posed';

/** Hands on the face as shapes: the arm and palm first, the fingers on them. */

export interface Finger {
  d: string;
  width: number;
}

export interface HandDrawing {
  hand: HandPose['hand'];
  /** It stands behind the head. */
  behind: boolean;
  arm: Finger;
  palm: string;
  /** From the back to the front. */
  fingers: readonly Finger[];
  /** Nails of fingertips that are seen from behind. */
  nails: string;
}

/** A hand's own measures, in the box's units: smaller than life, so that the face stays in sight. */
const ARM = 40;
const FINGER = 15;
const LENGTHS = [58, 64, 60, 48] as const;
const AWAY = 320;
const CIRCLE = 9;
const TAP = 16;

interface Frame {
  /** Where it works. */
  at: Point;
  /** Along the arm toward the hand, and across it toward the thumb. */
  ahead: Point;
  thumbward: Point;
}

const add = ([x, y]: Point, [dx, dy]: Point, much = 1): Point => [x + dx * much, y + dy * much];
const minus = (a: Point, b: Point): Point => [a[0] - b[0], a[1] - b[1]];
const unit = ([x, y]: Point): Point => {
  const long = Math.hypot(x, y) || 1;
  return [x / long, y / long];
};

/** A place at a share of the length of a line. */
export function alongLine(points: readonly Point[], share: number): Point {
  const [first] = points;
  if (!first) return [0, 0];
  const lengths = points.slice(1).map((p, i) => Math.hypot(...minus(p, points[i] ?? first)));
  let left = share * lengths.reduce((sum, l) => sum + l, 0);
  for (const [i, length] of lengths.entries()) {
    const [from, to] = [points[i] ?? first, points[i + 1] ?? first];
    if (left <= length || i === lengths.length - 1) {
      return add(from, minus(to, from), length ? Math.min(1, left / length) : 0);
    }
    left -= length;
  }
  return first;
}

/** Where the elbow is: out and below, on the side the arm comes from. */
function elbowOf({ hand, half, form }: HandPose, [x, y]: Point): Point {
  const out = hand === 'left' ? -1 : 1;
  if (form === 'shoulder') return [x + out * 120, y - 10];
  if (hand !== half) return [x + out * 190, y + 170];
  const flatOnIt = form === 'palm' || form === 'cup';
  if (form === 'heel') return [x + out * 50, y + 200];
  // On the forehead the elbows are out, so that the eyes stay in sight; below the mouth they are low and out.
  if (y < 205) return [x + out * 230, y + (form === 'edge' ? 170 : 130)];
  if (form === 'cradle') return [200 + out * 6, y + 170];
  // On neck and collarbones the hands stand beside the throat, and never across it.
  if (y > 385) return [x + out * 44, y + 190];
  if (y > (flatOnIt ? 372 : 300)) return [x + out * 200, y + 130];
  return flatOnIt ? [x + out * 52, y + 220] : [x + out * 170, y + 180];
}

/** How far a hand that taps or pinches is off the skin, 0 to 1, at a phase of its beat. */
const lifted = (phase: number): number => (1 - Math.cos(2 * Math.PI * phase)) / 2;

function frameOf(p: Posed, hand: HandPose): Frame {
  const { along, round, reach } = p.pose;
  const half = hand.half === 'left' ? 'L' : 'R';
  const inward = hand.half === 'left' ? 1 : -1;
  const way = hand.way.map((point) => p.place(point, half));
  const moves = hand.motion === 'stroke' || hand.motion === 'pinch' || hand.motion === 'tap';
  let at = moves ? alongLine(way, along) : (way[0] ?? [200, 230]);
  if (hand.motion === 'lift') {
    const to = way[1] ?? add(at, [inward * -4, -12]);
    at = add(at, unit(minus(to, at)), 12 * along);
  }
  const elbow = elbowOf(hand, at);
  const ahead = unit(minus(at, elbow));
  if (hand.motion === 'circle') {
    const angle = 2 * Math.PI * round;
    at = add(at, [inward * CIRCLE * Math.cos(angle), CIRCLE * Math.sin(angle)]);
  }
  if (hand.motion === 'tap') at = add(at, ahead, -TAP * lifted(round));
  if (hand.motion === 'press') at = add(at, ahead, 4 * along);
  at = add(at, ahead, -AWAY * (1 - reach));
  // The back of the hand is seen: with the fingers up the thumb is outside; where thumb and finger meet it is below.
  const below = hand.form === 'pinch' || hand.form === 'rings' || hand.form === 'thumb';
  const turn = (hand.hand === 'left') === below ? 1 : -1;
  return { at, ahead, thumbward: [-turn * ahead[1], turn * ahead[0]] };
}

/** A place of the hand: so far ahead of where it works, and so far toward the thumb. */
const of =
  ({ at, ahead, thumbward }: Frame) =>
  (forward: number, toThumb: number): Point =>
    add(add(at, ahead, forward), thumbward, toThumb);

const finger = (points: readonly Point[], width = FINGER): Finger => ({
  d: lineThrough(points),
  width,
});

/** The palm between wrist and knuckles, and the arm behind it. */
function palmAndArm(place: ReturnType<typeof of>, knuckles: number, wide = 30) {
  const wrist = knuckles - 66;
  const palm = ringThrough([
    place(knuckles, wide),
    place(knuckles + 5, 0),
    place(knuckles, -wide),
    place(knuckles - 40, -wide + 1),
    place(wrist, -20),
    place(wrist, 20),
    place(knuckles - 36, wide + 2),
  ]);
  const arm = finger([place(wrist + 14, 0), place(wrist - 160, 0), place(wrist - 420, 0)], ARM);
  return { palm, arm };
}

const ACROSS = [21, 7, -7, -20] as const;

type Shape = Pick<HandDrawing, 'arm' | 'palm' | 'fingers'> & { tips?: readonly Point[] };

/** Four fingers of which some reach out to where the hand works and the others stay behind. */
function reaching(place: ReturnType<typeof of>, out: readonly number[]): Shape {
  const longest = Math.max(...out.map((i) => LENGTHS[i] ?? 0));
  const middle = out.reduce((sum, i) => sum + (ACROSS[i] ?? 0), 0) / out.length;
  const knuckles = -longest + 2;
  const shift = (i: number) => (ACROSS[i] ?? 0) - middle;
  const fingers = [3, 2, 1, 0].map((i) => {
    const long = out.includes(i) ? (LENGTHS[i] ?? 0) : 34;
    const root = place(knuckles - 4, shift(i));
    const bent = place(knuckles + long * 0.55, shift(i) * 0.96);
    return finger([root, bent, place(knuckles + long, shift(i) * 0.86)]);
  });
  const thumb = finger(
    [
      place(knuckles - 46, 24 - middle),
      place(knuckles - 18, 42 - middle),
      place(knuckles + 8, 44 - middle),
    ],
    FINGER + 1,
  );
  const base = palmAndArm((f, t) => place(f, t - middle), knuckles);
  return {
    ...base,
    fingers: [thumb, ...fingers],
    tips: out.map((i) => place(knuckles + (LENGTHS[i] ?? 0) + 1, shift(i) * 0.86)),
  };
}

/** A flat hand whose palm lies where it works. */
function flat(place: ReturnType<typeof of>, knuckles: number, closed = 1): Shape {
  const fingers = [3, 2, 1, 0].map((i) => {
    const across = ACROSS[i] ?? 0;
    const long = (LENGTHS[i] ?? 0) * 0.94;
    const spread = 1 + 0.12 * (1 - closed);
    return finger([
      place(knuckles - 4, across),
      place(knuckles + long * 0.55, across * spread),
      place(knuckles + long, across * spread * 0.98),
    ]);
  });
  const thumb = finger(
    [place(knuckles - 50, 22), place(knuckles - 22, 40), place(knuckles + 4, 44)],
    FINGER + 1,
  );
  return { ...palmAndArm(place, knuckles), fingers: [thumb, ...fingers] };
}

function fist(place: ReturnType<typeof of>): Shape {
  const fingers = [3, 2, 1, 0].map((i) => {
    const across = (ACROSS[i] ?? 0) * 0.98;
    return finger([place(-26, across), place(-8, across)], 18);
  });
  const thumb = finger([place(-50, 24), place(-30, 32), place(-14, 24)], FINGER + 2);
  return { ...palmAndArm(place, -18, 31), fingers: [...fingers, thumb] };
}

function pinching(place: ReturnType<typeof of>, open: number): Shape {
  const gap = 2 + 6 * open;
  const index = finger([place(-52, 14), place(-22, 12 + gap), place(0, gap)]);
  const thumb = finger([place(-66, 34), place(-30, 34), place(-4, 8 + gap)], FINGER + 1);
  const folded = [3, 2, 1].map((i) =>
    finger([place(-56, ACROSS[i] ?? 0), place(-34, (ACROSS[i] ?? 0) - 4)], 16),
  );
  return { ...palmAndArm(place, -56), fingers: [...folded, thumb, index] };
}

function ringed(place: ReturnType<typeof of>): Shape {
  // The eye stays in sight in the middle of the ring.
  const index = finger([place(-34, 8), place(-14, -26), place(22, -22), place(30, 2)], 12);
  const thumb = finger([place(-44, 18), place(-12, 28), place(20, 22), place(30, 2)], 12);
  const others = [3, 2, 1].map((i) =>
    finger([place(-46, (ACROSS[i] ?? 0) - 8), place(-20, (ACROSS[i] ?? 0) - 34)], 14),
  );
  return { ...palmAndArm(place, -50), fingers: [...others, thumb, index] };
}

function thumbed(place: ReturnType<typeof of>): Shape {
  const folded = [3, 2, 1, 0].map((i) =>
    finger([place(-54, (ACROSS[i] ?? 0) - 12), place(-34, (ACROSS[i] ?? 0) - 14)], 17),
  );
  const thumb = finger([place(-70, 22), place(-30, 12), place(0, 0)], FINGER + 2);
  return { ...palmAndArm((f, t) => place(f, t - 10), -52), fingers: [...folded, thumb] };
}

function shapeOf(hand: HandPose, place: ReturnType<typeof of>, phase: number): Shape {
  switch (hand.form) {
    case 'tip':
      return reaching(place, [0]);
    case 'tips':
      return reaching(place, [0, 1, 2]);
    case 'ring':
      return reaching(place, [2]);
    case 'shoulder':
      return reaching(place, [0, 1, 2, 3]);
    case 'palm':
      return flat(place, 16);
    case 'cup':
      return flat(place, 6, 0);
    case 'cradle':
      return flat(place, 18);
    case 'heel':
      // The wrist is bent and the elbow out, so that the eyes stay in sight.
      return {
        ...flat(place, 52),
        arm: finger([place(2, 2), place(-34, 60), place(-150, 400)], ARM),
      };
    case 'edge':
      return flat((f, t) => place(f, t * 0.62), 24);
    case 'fist':
    case 'knuckles':
      return fist(place);
    case 'pinch':
      return pinching(place, hand.motion === 'pinch' ? lifted(phase) : 0);
    case 'rings':
      return ringed(place);
    case 'thumb':
      return thumbed(place);
    case 'behind':
    case 'up':
      return flat(place, 10);
  }
}

/** An arm that is not on the face: its hand behind the head, or raised. */
function farArm(p: Posed, hand: HandPose): HandDrawing {
  const half = hand.hand === 'left' ? 'L' : 'R';
  const out = hand.hand === 'left' ? -1 : 1;
  const { along, reach } = p.pose;
  const shoulder = p.place('shoulder', half);
  const wide = 1 - 0.65 * along;
  const up = hand.form === 'up';
  const elbow: Point = up
    ? [shoulder[0] + out * (70 - 60 * along), shoulder[1] - 60 - 100 * along]
    : [shoulder[0] + out * (86 * wide - 12), 300 + 40 * (1 - wide)];
  const end: Point = up
    ? [elbow[0] + out * (60 - 90 * along), elbow[1] - 40 - 160 * along]
    : p.place('skullBase', half);
  const down = (1 - reach) * 260;
  const low = ([x, y]: Point): Point => [x, y + down];
  const arm = finger([low(add(shoulder, [out * -4, 22])), low(elbow), low(end)], ARM);
  const none = { palm: '', fingers: [], nails: '' };
  if (!up) return { hand: hand.hand, behind: true, arm, ...none };
  const ahead = unit(minus(end, elbow));
  const frame: Frame = {
    at: low(add(end, ahead, 46)),
    ahead,
    thumbward: [out * ahead[1], -out * ahead[0]],
  };
  const { palm, fingers } = flat(of(frame), 10);
  return { hand: hand.hand, behind: true, arm, palm, fingers, nails: '' };
}

/** The hands of a pose, those behind the head first. */
export function handsIn(pose: Pose): HandDrawing[] {
  if (pose.hands.length === 0 || pose.reach < 0.02) return [];
  const p = posed(pose);
  return pose.hands.map((hand) => {
    if (hand.form === 'behind' || hand.form === 'up') return farArm(p, hand);
    const place = of(frameOf(p, hand));
    const { tips = [], ...shape } = shapeOf(hand, place, pose.round);
    const nails = tips.map((tip) => nail(tip, p, hand)).join('');
    return { hand: hand.hand, behind: false, ...shape, nails };
  });
}

/** A small arc near the end of a finger. */
function nail(tip: Point, p: Posed, hand: HandPose): string {
  const { ahead, thumbward } = frameOf(p, hand);
  const at = (f: number, t: number) => add(add(tip, ahead, f), thumbward, t);
  return lineThrough([at(-4, -3.6), at(0.5, 0), at(-4, 3.6)]);
}
