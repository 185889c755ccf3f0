import { LIBRARY, libraryMove } from '@library';
import { planOf } from '@testing/plans';
import { scoresOf } from '@testing/runs';
import { describe, expect, it } from 'vitest';
import type { RollEntry } from '@/core/calls';
import { type Segment, updateSegment } from '@/core/class';
import { growing, ready } from '@/core/run';
import { breathPhase } from '../kit/playing/breath-line';
import { controlsOf } from './controls';
import { meansSomebody, personKeys, personOf } from './person-keys';
import { watched, watchFor } from './watch';

const move = (id: string) => {
  const found = libraryMove(id);
  if (!found) throw new Error(`no move ${id}`);
  return found;
};
const BY_ID = new Map(LIBRARY.map((m) => [m.id, m]));
const nobody = { cautions: [], notes: [] };

describe('who needs an eye on them', () => {
  it('is nobody without a caution or a note', () => {
    for (const m of LIBRARY) expect(watchFor(nobody, m, {}, BY_ID)).toEqual([]);
  });

  it('is somebody with a caution against the move as it is done, and not in its easier version', () => {
    const back = LIBRARY.find(
      (m) => m.head === 'back' && m.variants.easier?.head === 'level' && m.hands === 'free',
    );
    if (!back) throw new Error('no move with a level version');
    const neck = { cautions: [{ caution: 'neck' as const }], notes: [] };
    expect(watchFor(neck, back, {}, BY_ID)).toHaveLength(1);
    expect(watchFor(neck, back, { variant: 'easier' }, BY_ID)).toEqual([]);
  });

  it('is somebody who must not be touched, while a round without hands is let go', () => {
    const filler = { cautions: [{ caution: 'procedure' as const }], notes: [] };
    const smile = move('smile-pulses');
    expect(watchFor(filler, smile, {}, BY_ID)).toEqual([]);
    expect(watchFor(filler, smile, { release: 'tap' }, BY_ID)).toHaveLength(1);
    expect(watchFor(filler, smile, { release: 'breaths' }, BY_ID)).toEqual([]);
  });

  it('is somebody with high blood pressure where the class holds the breath', () => {
    const pressure = { cautions: [{ caution: 'bloodPressure' as const }], notes: [] };
    const belly = move('slow-belly-breaths');
    const breath = { in: 4, hold: 4, out: 6, pause: 0 };
    expect(watchFor(pressure, belly, { breath: { ...breath, hold: 0 } }, BY_ID)).toEqual([]);
    expect(watchFor(pressure, belly, { breath }, BY_ID)).toHaveLength(1);
  });

  it('is somebody with a note on this move or on another one for the same area', () => {
    const noted = (moveId: string) => ({
      cautions: [],
      notes: [{ moveId, note: 'brow stays quiet', at: 0 }],
    });
    const tallO = move('tall-o-cheek-lift');
    expect(watchFor(noted('tall-o-cheek-lift'), tallO, {}, BY_ID)).toEqual(['brow stays quiet']);
    expect(watchFor(noted('full-cheeks-hold'), tallO, {}, BY_ID)).toHaveLength(1);
    expect(watchFor(noted('shoulder-rolls'), tallO, {}, BY_ID)).toEqual([]);
  });
});

describe('who is in the room', () => {
  const neck = [{ caution: 'neck' as const }];
  const here = { mark: 'here' as const, arrivedAt: 0, leftAt: null };
  const person = (name: string, more: Partial<RollEntry> = {}): RollEntry => ({
    ...{ participantId: name, name, booked: true, attendance: null, waiting: false, away: false },
    ...{ timesBefore: 1, greet: true, lastAt: null, cautions: neck, notes: [], met: [], ...more },
  });
  const entries = [
    person('unmarked'),
    person('well', { cautions: [], attendance: here }),
    person('here', { attendance: here }),
    person('waits', { waiting: true }),
    person('cannot come', { away: true }),
    person('absent', { attendance: { mark: 'absent', arrivedAt: null, leftAt: null } }),
    person('excused', { attendance: { mark: 'excused', arrivedAt: null, leftAt: null } }),
    person('gone', { attendance: { ...here, leftAt: 9 } }),
    person('came after all', { away: true, attendance: here }),
  ];

  it('is watched before they are marked too, after those who are known to be here', () => {
    const back = LIBRARY.find((m) => m.head === 'back' && m.hands === 'free');
    if (!back) throw new Error('no such move');
    expect(watched(entries, back, {}, BY_ID).map(({ person: { name } }) => name)).toEqual([
      'here',
      'came after all',
      'unmarked',
    ]);
  });

  it('has a key, and no letter or digit means anything else', () => {
    expect([...personKeys(entries)]).toEqual([
      ['unmarked', 'a'],
      ['well', 'b'],
      ['here', 'c'],
      ['came after all', 'd'],
    ]);
    expect(personOf(entries, 'C')).toBe('here');
    expect(personOf(entries, 's')).toBeUndefined();
    expect(['s', 'S', '0'].every(meansSomebody)).toBe(true);
    expect([' ', 'Escape', 'ArrowRight', '+'].some(meansSomebody)).toBe(false);
  });

  it('has a key up to the last one, and is picked by a press after that', () => {
    const many = Array.from({ length: 40 }, (_, n) => person(`p${n}`, { attendance: here }));
    expect(personKeys(many).size).toBe(36);
    expect(personOf(many, '0')).toBe('p35');
  });
});

describe('the breath line', () => {
  const pattern = { in: 4, hold: 0, out: 6, pause: 1 };
  it('goes through the phases in turn and leaves out what takes no time', () => {
    expect([0, 2000, 4000, 7000, 10_500].map((ms) => breathPhase(pattern, ms))).toEqual([
      { phase: 'in', share: 0 },
      { phase: 'in', share: 0.5 },
      { phase: 'out', share: 0 },
      { phase: 'out', share: 0.5 },
      { phase: 'pause', share: 0.5 },
    ]);
  });
});

describe('the controls of the stage', () => {
  const workOf = (segment: Partial<Segment>) => {
    const plan = planOf([{ move: 'smile-pulses', rounds: 1 }]);
    const { score } = scoresOf(updateSegment(plan, 's1', (s) => ({ ...s, ...segment })));
    return growing(ready(score));
  };
  const slowly = workOf({ dose: { kind: 'reps', reps: 10, secondsEach: 2 } });
  const controls = (paused: boolean, added: unknown[] = [], full = false, grows = slowly) =>
    controlsOf({
      add: (what) => added.push(what),
      paused,
      grows,
      full,
      tell: (sentence) => added.push(sentence),
      catchUp: () => {},
      end: () => {},
    });

  it.each<[Partial<Segment>, tenSeconds: [string, number], fiveCounts: [string, number]]>([
    [{ dose: { kind: 'hold', seconds: 20 } }, ['10 s longer', 10_000], ['5 counts more', 5000]],
    [
      { dose: { kind: 'reps', reps: 10, secondsEach: 4 } },
      ['12 s longer', 12_000],
      ['5 counts more', 20_000],
    ],
    // A hold at the floor of its dose, or a locked one, is counted as any other.
    [
      { dose: { kind: 'reps', reps: 3, secondsEach: 4 }, locked: true },
      ['12 s longer', 12_000],
      ['5 counts more', 20_000],
    ],
    [
      { dose: { kind: 'breaths', breaths: 3, pattern: { in: 4, hold: 2, out: 6, pause: 0 } } },
      ['12 s longer', 12_000],
      ['1 breath more', 12_000],
    ],
    [
      { dose: { kind: 'counts', counts: 20, tempo: 72 } },
      ['10 s longer', 10_000],
      ['5 counts more', 4167],
    ],
    [
      { dose: { kind: 'reps', reps: 10, secondsEach: 2 }, sides: 'alternating' },
      ['12 s longer', 12_000],
      ['6 counts more', 12_000],
    ],
  ])('make the work longer by whole units of it: %j', (segment, tenSeconds, fiveCounts) => {
    const added: { ms?: number }[] = [];
    const all = controls(false, added, false, workOf(segment));
    const pressed = ['+', 'c'].map((key) => {
      const control = all.find((c) => c.keys.includes(key));
      control?.act();
      return [control?.label, added.at(-1)?.ms];
    });
    expect(pressed).toEqual([tenSeconds, fiveCounts]);
  });

  it('have a key each, and no key twice', () => {
    const keys = controls(false).flatMap((c) => c.keys);
    expect(new Set(keys).size).toBe(keys.length);
    for (const other of ['u', 'n', 'q', 'm']) expect(keys).not.toContain(other);
  });

  it('pause or go on, and count in beats of the work', () => {
    const added: unknown[] = [];
    const press = (paused: boolean, key: string) =>
      controls(paused, added)
        .find((c) => c.keys.includes(key))
        ?.act();
    press(false, ' ');
    press(true, 'b');
    press(false, 'c');
    expect(added).toEqual([
      { type: 'paused' },
      { type: 'resumed' },
      { type: 'extended', ms: 10_000 },
    ]);
  });

  it('say why there is no further round, where there are as many as there may be', () => {
    const added: unknown[] = [];
    const more = controls(false, added, true).find((c) => c.keys.includes('r'));
    more?.act();
    expect(added).toEqual([expect.stringMatching(/^20 rounds of one move are the most/)]);
  });
});
