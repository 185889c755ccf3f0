import { LIBRARY } from '@library';
import { describe, expect, it } from 'vitest';
import { inVariant } from '../move';
import { amount, geometry, mirrored, ownTrack, STILL, sketched } from '.';

/** Library moves, looked at as if they were a teacher's own. */
const OWN = LIBRARY.map((move) => ({ ...move, id: `own-${move.id}` }));

describe('a move without a track of its own', () => {
  it('has hands where it has hands, the head as it is held, and work where muscles are named', () => {
    for (const move of OWN) {
      const track = sketched(move);
      expect([move.id, track.hands.length > 0]).toEqual([move.id, move.hands !== 'free']);
      const last = { ...STILL, units: track.keys.at(-1) ?? [] };
      expect([move.id, amount(last, '53') > 0]).toEqual([move.id, move.head === 'back']);
      expect([move.id, amount(last, '55L') > 0]).toEqual([move.id, move.head === 'leaning']);
      expect(() => geometry(last)).not.toThrow();
    }
  });

  it('shows a smile for a move of the cheeks, and one side of it where it works one side', () => {
    const smile = OWN.find((m) => m.id === 'own-smile-pulses');
    if (!smile) throw new Error('no such move');
    const both = { ...STILL, units: sketched(smile).keys.at(-1) ?? [] };
    expect(amount(both, '12L')).toBe(0.7);
    expect(mirrored(both).units).toEqual(both.units);
    const one = { ...STILL, units: sketched({ ...smile, sides: 'each' }).keys.at(-1) ?? [] };
    expect(amount(one, '12R')).toBe(0);
  });

  it('shows a version as it was drawn, and else as less of the move', () => {
    const [first] = OWN;
    if (!first) throw new Error('no such move');
    const drawn = { keys: ['12'], fingers: 'tips rest cheekbone' };
    const move = {
      ...first,
      hands: 'light' as const,
      looks: { ...drawn, easier: { keys: ['15:.3'] } },
    };
    const pose = (variant?: 'easier' | 'harder') => {
      const { keys, hands } = ownTrack(move, variant);
      const shown = { ...STILL, units: keys[0] ?? [] };
      return [amount(shown, '12L'), amount(shown, '15L'), hands.length];
    };
    expect(pose()).toEqual([1, 0, 2]);
    expect(pose('easier')).toEqual([0, 0.3, 0]);
    expect(pose('harder').slice(0, 2)).toEqual([1, 0]);
    const { easier: _, ...main } = move.looks;
    const less = ownTrack({ ...move, looks: main }, 'easier').keys[0] ?? [];
    expect(amount({ ...STILL, units: less }, '12L')).toBe(0.6);
  });

  it('drops the hands in a version without them', () => {
    const move = OWN.find((m) => inVariant(m, 'easier').hands === 'free' && m.hands !== 'free');
    if (!move) throw new Error('no such move');
    expect(sketched(move, 'easier').hands).toEqual([]);
  });
});
