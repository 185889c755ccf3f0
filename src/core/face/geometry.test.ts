import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FACE_POINTS, UNITS } from '../move';
import {
  amount,
  type Drawing,
  geometry,
  handsIn,
  handsOf,
  mirrored,
  PARTS,
  type Pose,
  patchesOf,
  STILL,
  unitsOf,
} from '.';
import type { Point } from './path';
import { Posed } from './posed';

const pose = (written: string, hands = ''): Pose => ({
  ...STILL,
  units: unitsOf(written),
  hands: handsOf(hands),
  reach: hands ? 1 : 0,
});
/** The end points of a path's pieces. */
const ends = (d: string): Point[] =>
  d
    .split(/(?=[MCL])/)
    .map((piece) => piece.match(/-?[\d.]+/g)?.map(Number) ?? [])
    .filter((numbers) => numbers.length >= 2)
    .map((numbers) => [numbers.at(-2) ?? 0, numbers.at(-1) ?? 0]);
const bounds = (d: string) => {
  const points = ends(d);
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])];
  return {
    left: Math.min(...xs),
    right: Math.max(...xs),
    top: Math.min(...ys),
    bottom: Math.max(...ys),
  };
};
const centre = (points: readonly Point[]) => {
  const sum = points.reduce(([x, y], [px, py]) => [x + px, y + py], [0, 0] as Point);
  return [sum[0] / points.length, sum[1] / points.length] as const;
};
const anyPose: fc.Arbitrary<Pose> = fc
  .array(
    fc.oneof({ weight: 3, arbitrary: fc.constant(0) }, fc.double({ min: 0, max: 1, noNaN: true })),
    {
      minLength: UNITS.length,
      maxLength: UNITS.length,
    },
  )
  .map((units) => ({ ...STILL, units }));

const cross = (a: Point, b: Point, c: Point) =>
  (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
/** Whether a closed line crosses itself. */
function folds(points: readonly Point[]): boolean {
  const { length } = points;
  const at = (i: number): Point => points[i % length] ?? [0, 0];
  for (let i = 0; i < length; i++) {
    for (let j = i + 2; j < length; j++) {
      if (i === 0 && j === length - 1) continue;
      const [a, b, c, d] = [at(i), at(i + 1), at(j), at(j + 1)];
      const apart = cross(a, b, c) * cross(a, b, d) < -1e-6;
      if (apart && cross(c, d, a) * cross(c, d, b) < -1e-6) return true;
    }
  }
  return false;
}

describe('the drawing of a pose', () => {
  it('is the mirror image of the drawing of the mirrored pose', () => {
    fc.assert(
      fc.property(anyPose, (any) => {
        const [one, other] = [geometry(any), geometry(mirrored(any))];
        for (const name of PARTS) {
          const key = ([x, y]: Point) => `${Math.round(x * 2) / 2} ${Math.round(y * 2) / 2}`;
          const near = (points: readonly Point[], [x, y]: Point) =>
            points.some(([px, py]) => Math.hypot(px - x, py - y) < 0.35);
          const flipped = ends(one[name].d).map(([x, y]): Point => [400 - x, y]);
          const there = ends(other[name].d);
          expect([name, flipped.filter((p) => !near(there, p)).map(key)]).toEqual([name, []]);
          expect(there.length).toBe(flipped.length);
          expect(one[name].o ?? 1).toBeCloseTo(other[name].o ?? 1, 6);
        }
      }),
      { numRuns: 300 },
    );
  });

  it('never folds over itself, whatever the units are', () => {
    expect(
      folds([
        [0, 0],
        [10, 10],
        [10, 0],
        [0, 10],
      ]),
    ).toBe(true);
    const closed = ['head', 'upperLip', 'lowerLip', 'mouthInside', 'eyes'] as const;
    fc.assert(
      fc.property(anyPose, (any) => {
        const drawing = geometry(any);
        const folded = closed.filter((name) =>
          drawing[name].d
            .split(/(?=M)/)
            .filter(Boolean)
            .some((ring) => folds(ends(ring).slice(0, -1))),
        );
        expect(folded).toEqual([]);
      }),
      { numRuns: 5000 },
    );
  });

  it('stays in the picture, but for hands and shoulders', () => {
    fc.assert(
      fc.property(anyPose, (any) => {
        const { left, right, top, bottom } = bounds(geometry(any).head.d);
        expect(left).toBeGreaterThan(-40);
        expect(right).toBeLessThan(440);
        expect(top).toBeGreaterThan(20);
        expect(bottom).toBeLessThan(470);
      }),
      { numRuns: 300 },
    );
  });
});

describe('a unit', () => {
  const at = (written: string, point: (typeof FACE_POINTS)[number], half: 'L' | 'R' = 'L') =>
    new Posed(pose(written)).place(point, half);
  const rest = (point: (typeof FACE_POINTS)[number], half: 'L' | 'R' = 'L') => at('', point, half);

  it.each([
    ['12', 'mouthCorner', 'up and out'],
    ['13', 'mouthCorner', 'up'],
    ['15', 'mouthCorner', 'down'],
    ['20', 'mouthCorner', 'out'],
    ['1', 'innerBrow', 'up'],
    ['2', 'outerBrow', 'up'],
    ['4', 'innerBrow', 'down and in'],
    ['6', 'cheekbone', 'up'],
    ['27', 'chin', 'down'],
    ['26', 'chin', 'down'],
    ['38', 'nostril', 'out'],
    ['39', 'nostril', 'in'],
    ['shoulderUp', 'shoulder', 'up'],
  ] as const)('%s moves the %s %s', (unit, point, way) => {
    const [[x0, y0], [x1, y1]] = [rest(point), at(unit, point)];
    if (way.includes('up')) expect(y1).toBeLessThan(y0 - 2);
    if (way.includes('down')) expect(y1).toBeGreaterThan(y0 + 2);
    if (way.includes('out')) expect(x1).toBeLessThan(x0 - 2);
    if (way.includes('in')) expect(x1).toBeGreaterThan(x0 + 1);
  });

  it.each(['1', '2', '4', '6', '12', '13', '15', '20', '33', '35', '38'])(
    '%s on one side leaves the other as it is',
    (unit) => {
      for (const point of FACE_POINTS) {
        // What lies near the middle goes a little with either side.
        const [x, y] = rest(point, 'R');
        if (x < 225) continue;
        const [x1, y1] = at(`${unit}L`, point, 'R');
        expect([point, Math.hypot(x1 - x, y1 - y) < 0.8]).toEqual([point, true]);
      }
    },
  );

  it.each([
    ['1', ['mouthCorner', 'chin', 'cheekbone']],
    ['12', ['innerBrow', 'midForehead', 'chin']],
    ['27', ['innerBrow', 'temple', 'cheekbone', 'nostril']],
    ['33', ['innerBrow', 'nostril', 'underEye']],
  ] as const)('%s moves nothing far from it', (unit, points) => {
    for (const point of points) {
      const [[x0, y0], [x1, y1]] = [rest(point), at(unit, point)];
      expect([point, Math.hypot(x1 - x0, y1 - y0) < 1]).toEqual([point, true]);
    }
  });

  const height = (d: string) => bounds(d).bottom - bounds(d).top;
  const width = (d: string) => bounds(d).right - bounds(d).left;
  const draw = (written: string): Drawing => geometry(pose(written));

  it('opens, narrows and closes the eyes, each by itself', () => {
    const eyes = (written: string) => height(draw(written).eyes.d);
    expect(eyes('5')).toBeGreaterThan(eyes('') + 2);
    expect(eyes('7')).toBeLessThan(eyes('') - 2);
    expect(draw('43').eyes.d).toBe('');
    expect(draw('43').lashes.d).not.toBe('');
    expect(draw('43L').eyes.d.match(/M/g)).toHaveLength(1);
    const [x] = centre(ends(draw('61L').pupils.d));
    expect(x).toBeLessThan(195);
    const [, up] = centre(ends(draw('63').pupils.d));
    const [, down] = centre(ends(draw('64').pupils.d));
    expect(up).toBeLessThan(down - 4);
  });

  it('shapes the mouth: pursed narrow, wide broad, folded thin, open only with the lips apart', () => {
    const lips = (written: string) => width(draw(written).lipLine.d);
    expect(lips('18')).toBeLessThan(lips('') - 25);
    expect(lips('22')).toBeLessThan(lips('') - 20);
    expect(lips('20')).toBeGreaterThan(lips('') + 15);
    expect(height(draw('28').lowerLip.d)).toBeLessThan(height(draw('').lowerLip.d));
    expect(draw('26').mouthInside.d).toBe('');
    expect(height(draw('25 27').mouthInside.d)).toBeGreaterThan(25);
    expect(draw('19 25').tongue.d).not.toBe('');
    const tip = (written: string) => bounds(draw(written).tongue.d);
    expect(tip('19 25 tongueUp').top).toBeLessThan(tip('19 25').top - 10);
    expect(tip('19 25 tongueSideL').left).toBeLessThan(tip('19 25').left - 5);
  });

  it('turns the head with depth: the nose goes farther than the cheek, and the same way', () => {
    const shift = (point: (typeof FACE_POINTS)[number]) => at('51R', point)[0] - rest(point)[0];
    expect(shift('noseBridge')).toBeGreaterThan(shift('temple'));
    expect(shift('temple')).toBeGreaterThan(0);
    expect(at('53', 'chin')[1]).toBeLessThan(rest('chin')[1] - 15);
    expect(at('54', 'midForehead')[1]).toBeGreaterThan(rest('midForehead')[1] + 8);
    expect(at('55L', 'crown')[0]).toBeLessThan(rest('crown')[0] - 60);
    // What is not the head stays.
    expect(at('51R', 'collarbone')).toEqual(rest('collarbone'));
  });

  it('holds a pen between nose and lip, as wide as the face, and shows it only there', () => {
    const held = draw('pen 18:.8');
    const pen = bounds(held.pen.d);
    expect(pen.top).toBeGreaterThan(bounds(held.nose.d).bottom - 6);
    expect(pen.bottom).toBeLessThan(bounds(held.upperLip.d).top + 4);
    expect(pen.right - pen.left).toBeGreaterThan(120);
    expect(draw('18:.8').pen.d).toBe('');
  });

  it('draws lines of a brow that rises, and none where it is held', () => {
    expect(draw('1 2').foreheadLines.d).not.toBe('');
    expect(draw('1 2 brace').foreheadLines.d).toBe('');
  });
});

describe('areas and hands', () => {
  it('go with the face', () => {
    const chin = (written: string) =>
      centre(ends(patchesOf(pose(written)).find((p) => p.area === 'chin')?.left ?? ''));
    expect(chin('27')[1]).toBeGreaterThan(chin('')[1] + 15);
    const mirror = patchesOf(pose('12L')).find((p) => p.area === 'lowerCheeks');
    expect(bounds(mirror?.left ?? '').top).toBeLessThan(bounds(mirror?.right ?? '').top);
  });

  it('of the mouth stays close round the lips, however it opens', () => {
    for (const written of ['', '25 26 27', '18 22', '22 25:.8 26:.4', '28', '12 6']) {
      const of = pose(written);
      const mouth = patchesOf(of).find((p) => p.area === 'mouth');
      const [area, upper, lower] = [
        bounds(mouth?.left ?? ''),
        bounds(geometry(of).upperLip.d),
        bounds(geometry(of).lowerLip.d),
      ];
      expect([written, folds(ends(mouth?.left ?? ''))]).toEqual([written, false]);
      for (const beyond of [
        upper.top - area.top,
        area.bottom - lower.bottom,
        upper.left - area.left,
        area.right - upper.right,
      ]) {
        expect(beyond, written).toBeGreaterThan(1);
        expect(beyond, written).toBeLessThan(10);
      }
    }
  });

  it('leave the eyes in sight where the heels lie on the brows', () => {
    const hands = handsIn(pose('64', 'heel lift midBrow>midForehead'));
    const eyes = bounds(geometry(pose('64')).lids.d);
    for (const { arm, palm, fingers } of hands) {
      const inward = ends(arm.d)
        .filter(([x]) => Math.abs(x - 200) < 80)
        .map(([, y]) => y + arm.width / 2);
      const low = Math.max(
        ...inward,
        bounds(palm).bottom,
        ...fingers.map((f) => bounds(f.d).bottom),
      );
      expect(low).toBeLessThan(eyes.bottom);
    }
  });

  it('stand where they are told, on the half they are told, and come from their own side', () => {
    const [left, right] = handsIn(pose('', 'tip rest cheekbone'));
    const tip = (d: string) => ends(d).at(-1) ?? [0, 0];
    const index = (hand: typeof left) => tip(hand?.fingers.at(-1)?.d ?? '');
    const [x, y] = new Posed(STILL).place('cheekbone', 'L');
    expect(Math.hypot(index(left)[0] - x, index(left)[1] - y)).toBeLessThan(6);
    expect(index(right)[0]).toBeCloseTo(400 - index(left)[0], 0);
    expect(tip(left?.arm.d ?? '')[0]).toBeLessThan(x);
    const [crossing] = handsIn(pose('', 'palm rest sideNeck cross'));
    expect(crossing?.hand).toBe('right');
    expect(tip(crossing?.arm.d ?? '')[0]).toBeGreaterThan(200);
  });

  it('go along their way, round their circle, and away', () => {
    const stroke = pose('', 'tip stroke chin>jawMid>earLobe left');
    const tip = (of: Pose) => ends(handsIn(of)[0]?.fingers.at(-1)?.d ?? '').at(-1) ?? [0, 0];
    const [from, to] = [tip({ ...stroke, along: 0 }), tip({ ...stroke, along: 1 })];
    expect(to[1]).toBeLessThan(from[1] - 60);
    const circle = pose('', 'tip circle temple left');
    expect(tip({ ...circle, round: 0.25 })).not.toEqual(tip({ ...circle, round: 0 }));
    expect(tip({ ...circle, round: 1 })).toEqual(tip({ ...circle, round: 0 }));
    expect(handsIn({ ...circle, reach: 0 })).toEqual([]);
  });

  it('behind the head are drawn behind it', () => {
    expect(handsIn(pose('', 'behind rest skullBase')).map((h) => h.behind)).toEqual([true, true]);
  });
});

describe('what is written of a pose', () => {
  it('is read with its sides and amounts', () => {
    const read = pose('12:.6 6L 51R:.5 26');
    const amounts = (['12L', '12R', '6L', '6R', '51R', '51L', '26'] as const).map((u) =>
      amount(read, u),
    );
    expect(amounts).toEqual([0.6, 0.6, 1, 0, 0.5, 0, 1]);
    expect(mirrored(mirrored(read))).toEqual(read);
  });

  it.each(['99', '12:2', '12:x', '51', 'smile'])('is refused where it is none: %s', (written) => {
    expect(() => unitsOf(written)).toThrow(written);
  });

  it.each(['claw rest chin', 'tip hover chin', 'tip rest knee', 'tip rest chin both both'])(
    'is refused where it is no hand: %s',
    (written) => {
      expect(() => handsOf(written)).toThrow('no hand');
    },
  );
});
