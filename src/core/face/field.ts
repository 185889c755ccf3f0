import { type MiddleUnit, type PairedUnit, type Unit, unitIndex, type WayUnit } from '../move';
import type { Point } from './path';
import type { Pose } from './pose';

/**
 * How the skin goes with the units: each draws the places around an anchor with it, the less the farther away. Anchors
 * stand on the left half; the right half is its mirror image. In the dial's box of 400 x 500.
 */
type Pull = readonly [x: number, y: number, dx: number, dy: number, reach: number];

const PULLS: Partial<Record<PairedUnit, readonly Pull[]>> = {
  '1': [[182, 190, 0, -11, 24]],
  '2': [
    [136, 194, 0, -11, 26],
    [160, 186, 0, -4, 18],
  ],
  '4': [
    [181, 192, 6, 7, 20],
    [158, 187, 3, 5, 22],
  ],
  '6': [[140, 252, 0, -8, 28]],
  '9': [[186, 256, 0, -5, 15]],
  '12': [
    [160, 306, -13, -11, 24],
    [142, 274, -4, -7, 30],
  ],
  '13': [[160, 306, -1, -12, 20]],
  '14': [[160, 306, 4, 0, 18]],
  '15': [[160, 306, -1, 11, 20]],
  '20': [[160, 307, -14, 2, 24]],
  '33': [[116, 300, -11, 0, 34]],
  '35': [[120, 302, 12, 0, 30]],
  '38': [[178, 274, -5, -1, 11]],
  '39': [[178, 274, 4, 0, 11]],
};
const WAY_PULLS: Partial<Record<WayUnit, readonly Pull[]>> = {
  '36': [[142, 308, -7, 0, 18]],
};
const MIDDLE_PULLS: Partial<Record<MiddleUnit, readonly Pull[]>> = {
  '17': [[200, 350, 0, -6, 20]],
};

/** How far the chin goes down when the jaw is low, and when the mouth is wide open; in the box's units. */
const JAW = { low: 15, wide: 34, forward: 5, side: 13 };
const JAW_FROM = 296;
const CHIN = 366;

const smooth = (t: number): number => {
  const u = Math.max(0, Math.min(1, t));
  return u * u * (3 - 2 * u);
};

interface Drawn {
  pull: Pull;
  much: number;
}

/** What moves the skin in one pose. */
export interface Skin {
  left: readonly Drawn[];
  right: readonly Drawn[];
  /** How far the chin is below where it rests, and to the side of it. */
  jawDown: number;
  jawSide: number;
}

/** Pulls by the index of their unit, for one side. */
type Indexed = readonly (readonly [unit: number, pull: Pull, share: number])[];
const indexed = (side: 'L' | 'R'): Indexed => [
  ...[...Object.entries(PULLS), ...Object.entries(WAY_PULLS)].flatMap(([name, pulls]) =>
    pulls.map((pull) => [unitIndex(`${name}${side}` as Unit), pull, 1] as const),
  ),
  // Half from either side, which together is all of it.
  ...Object.entries(MIDDLE_PULLS).flatMap(([name, pulls]) =>
    pulls.map((pull) => [unitIndex(name as Unit), pull, 0.5] as const),
  ),
];
const [LEFT, RIGHT] = [indexed('L'), indexed('R')];

export function skinOf({ units }: Pose): Skin {
  const value = (unit: Unit) => units[unitIndex(unit)] ?? 0;
  const drawn = (pulls: Indexed): Drawn[] => {
    const all: Drawn[] = [];
    for (const [unit, pull, share] of pulls) {
      const much = (units[unit] ?? 0) * share;
      if (much > 0) all.push({ pull, much });
    }
    return all;
  };
  return {
    left: drawn(LEFT),
    right: drawn(RIGHT),
    jawDown: JAW.low * value('26') + JAW.wide * value('27') + JAW.forward * value('29'),
    jawSide: JAW.side * (value('30R') - value('30L')),
  };
}

/** So many reaches away nothing is drawn any more. */
const FAR = 2.4;

function drawnBy(all: readonly Drawn[], x: number, y: number): [number, number] {
  let dx = 0;
  let dy = 0;
  for (const { pull, much } of all) {
    const [px, py, pullX, pullY, reach] = pull;
    const [farX, farY] = [x - px, y - py];
    const most = FAR * reach;
    if (farX > most || farX < -most || farY > most || farY < -most) continue;
    const near = Math.exp(-(farX * farX + farY * farY) / (reach * reach)) * much;
    dx += pullX * near;
    dy += pullY * near;
  }
  return [dx, dy];
}

/** Where a place of the resting face is in the pose, before the head is turned. */
export function onSkin(skin: Skin, [x, y]: Point): Point {
  const left = drawnBy(skin.left, x, y);
  const right = drawnBy(skin.right, 400 - x, y);
  const jaw = smooth((y - JAW_FROM) / (CHIN - JAW_FROM));
  return [x + left[0] - right[0] + skin.jawSide * jaw, y + left[1] + right[1] + skin.jawDown * jaw];
}

/** How the head stands. */
export interface Turned {
  /** Turned to the picture's right, leaning to it, and back; -1 to 1. */
  yaw: number;
  roll: number;
  pitch: number;
  forward: number;
  sin: { yaw: number; roll: number; pitch: number };
  cos: { yaw: number; roll: number; pitch: number };
}

/** Angles of a head that is turned, leaning or back all the way, in radians. */
const FULL = { yaw: 0.5, roll: 0.38, back: 0.5, down: 0.42 };
/** The place about which the head leans. */
const PIVOT = { x: 200, y: 384 };
const DEPTH = 82;

export function headOf({ units }: Pose): Turned {
  const value = (unit: Unit) => units[unitIndex(unit)] ?? 0;
  const yaw = value('51R') - value('51L');
  const roll = value('55R') - value('55L');
  const pitch = value('53') - value('54');
  const angle = {
    yaw: yaw * FULL.yaw,
    roll: roll * FULL.roll,
    pitch: pitch * (pitch > 0 ? FULL.back : FULL.down),
  };
  return {
    yaw,
    roll,
    pitch,
    forward: value('57'),
    sin: { yaw: Math.sin(angle.yaw), roll: Math.sin(angle.roll), pitch: Math.sin(angle.pitch) },
    cos: { yaw: Math.cos(angle.yaw), roll: Math.cos(angle.roll), pitch: Math.cos(angle.pitch) },
  };
}

/** How far before the middle of the head a place of the face lies. */
export function depthAt([x, y]: Point): number {
  const far = ((x - 200) / 114) ** 2 + ((y - 226) / 168) ** 2;
  return DEPTH * Math.sqrt(Math.max(0, 1 - far));
}

/**
 * Where a place of the head is once the head is turned.
 * @param depth how far it lies before the middle of the head
 */
export function turned(head: Turned, [x, y]: Point, depth = depthAt([x, y])): Point {
  const { sin, cos } = head;
  const x1 = 200 + (x - 200) * cos.yaw + depth * sin.yaw;
  const z1 = depth * cos.yaw - (x - 200) * sin.yaw;
  const y1 = 226 + (y - 226) * cos.pitch - z1 * sin.pitch;
  return leant(head, [x1, y1]);
}

/** The same for the outline, which is seen from every side: only where the chin points goes with the turn. */
export function turnedOutline(head: Turned, [x, y]: Point): Point {
  const chin = smooth((y - 236) / 140);
  const crown = smooth((180 - y) / 120);
  const x1 = x + head.sin.yaw * (10 + 30 * chin);
  const y1 = y - head.sin.pitch * (60 * chin - 26 * crown);
  return leant(head, [x1, y1]);
}

function leant({ sin, cos, forward }: Turned, [x, y]: Point): Point {
  const near = 1 + 0.05 * forward;
  const [dx, dy] = [(x - PIVOT.x) * near, (y - PIVOT.y) * near + 8 * forward];
  return [PIVOT.x + dx * cos.roll - dy * sin.roll, PIVOT.y + dx * sin.roll + dy * cos.roll];
}
