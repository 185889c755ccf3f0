import { type FacePoint, type PairedUnit, type Unit, unitIndex } from '../move';
import { depthAt, headOf, onSkin, type Skin, skinOf, type Turned, turned } from './field';
import { type Point, sampled } from './path';
import { POINTS } from './points';
import type { Pose } from './pose';
import { HEAD } from './still';

/** Places of a face in a pose. */

export type Half = 'L' | 'R';
export const HALVES: readonly Half[] = ['L', 'R'];
export const flip = ([x, y]: Point): Point => [400 - x, y];
export const clamp = (v: number, from = 0, to = 1): number => Math.max(from, Math.min(to, v));
export const between = (a: number, b: number, t: number): number => a + (b - a) * t;

/** Places of the face in a pose: the skin moved by its units, then the head turned. */
export class Posed {
  readonly skin: Skin;
  readonly head: Turned;

  constructor(readonly pose: Pose) {
    this.skin = skinOf(pose);
    this.head = headOf(pose);
  }

  value(unit: Unit): number {
    return this.pose.units[unitIndex(unit)] ?? 0;
  }

  of(name: PairedUnit, half: Half): number {
    return this.value(`${name}${half}`);
  }

  /** A place of the face at rest, on the left half where `half` is L. */
  at(point: Point, half: Half = 'L', lift = 0): Point {
    const own = half === 'L' ? point : flip(point);
    return turned(this.head, onSkin(this.skin, own), depthAt(own) + lift);
  }

  /** A named place. Those below the head do not turn with it. */
  place(point: FacePoint, half: Half): Point {
    const own = POINTS[point];
    if (own[1] < 392) return this.at(own, half);
    return this.onBody(half === 'L' ? own : flip(own), half);
  }

  /** A place of shoulders, neck or chest. */
  onBody([x, y]: Point, half: Half): Point {
    const far = clamp(Math.abs(x - 200) / 110);
    const up =
      24 * this.of('shoulderUp', half) * far -
      8 * this.of('shoulderDown', half) * far +
      3 * this.value('chest');
    const back = this.of('shoulderBack', half) * far;
    const side = 10 * (this.value('chestSideR') - this.value('chestSideL'));
    return [x + (x < 200 ? -6 : 6) * back + side, y - up + 5 * back - 3 * this.value('breastbone')];
  }
}

const known = new WeakMap<Pose, Posed>();

/** The places of a pose, worked out once for all that is drawn of it. */
export function posed(pose: Pose): Posed {
  const made = known.get(pose) ?? new Posed(pose);
  known.set(pose, made);
  return made;
}

/** Points along the outline of the head at rest, from the crown round by the right. */
export const HEAD_POINTS = sampled(HEAD, 4);
