import { describe, expect, it } from 'vitest';
import { amount, handsOf, STILL, trackOf, unitsOf, type WrittenTrack } from '@/core/face';
import { inVariant } from '@/core/move';
import { LIBRARY, libraryMove } from '..';
import { libraryTrack, TRACKS } from '.';
import { EXPLAINED, pictureFaults, trackFaults, unshown, versionsOf } from './checks';

describe('the tracks of the library', () => {
  it('are there for every move, and for no other', () => {
    expect(Object.keys(TRACKS).sort()).toEqual(LIBRARY.map((m) => m.id).sort());
  });

  it('agree with their moves in every version', () => {
    expect(LIBRARY.flatMap(trackFaults)).toEqual([]);
  });

  it('explain a muscle that is not seen only where one is not', () => {
    const needed = LIBRARY.filter((move) =>
      versionsOf(move).some((variant) => {
        const track = libraryTrack(move.id, variant);
        const done = variant ? inVariant(move, variant) : move;
        return track && unshown({ move, done, track }).length > 0;
      }),
    ).map((move) => move.id);
    expect(Object.keys(EXPLAINED).sort()).toEqual(needed.sort());
  });

  it.each<[move: string, as: WrittenTrack, fault: string]>([
    ['smile-pulses', { keys: '12', hands: 'tip rest chin' }, 'shows hands, and has none'],
    ['soft-jaw-drop', { keys: '26' }, 'shows no hands'],
    ['smile-pulses', { keys: '12 53' }, 'not as it is held: level'],
    ['anchored-jaw-forward', { keys: '29 21', hands: 'palm rest collarbone' }, 'held: back'],
    ['chin-over-shoulder', { keys: '51L:.1' }, 'held: turned'],
    ['smile-pulses', { keys: '12L' }, 'shows more on one side'],
    ['gaze-far-holds', { keys: '63' }, 'shows the same on both sides'],
    [
      'finger-rings-squint',
      { keys: '7', hands: 'fist circle underEye' },
      'too much beside the eye',
    ],
    ['brow-presses', { keys: '43', hands: 'tip rest innerEye' }, 'with light pressure'],
    [
      'front-neck-pulses',
      { keys: '15 21', hands: 'tips rest frontNeck' },
      'both hands on the front',
    ],
    ['pucker-hold', { keys: '12' }, 'shows nothing of orbicularis oris'],
  ])('of %s that is wrong is found', (id, written, fault) => {
    const move = libraryMove(id);
    if (!move) throw new Error(`no move ${id}`);
    expect(pictureFaults(move, undefined, trackOf(written)).join('\n')).toContain(fault);
  });
});

describe('a written track', () => {
  it('is refused where it holds what is none', () => {
    expect(() => trackOf({ keys: '12 wink' })).toThrow('"wink"');
    expect(() => trackOf({ keys: '12', hands: 'tip rest moon' })).toThrow('"tip rest moon"');
    expect(() => unitsOf('30')).toThrow('needs a side');
    expect(handsOf('')).toEqual([]);
  });

  it('has in a version what is said of it, and else what the move has', () => {
    const written = { keys: '12', hands: 'tip rest chin', easier: { keys: '12:.4' } };
    expect(amount({ ...STILL, units: trackOf(written, 'easier').keys[0] ?? [] }, '12L')).toBe(0.4);
    expect(trackOf(written, 'easier').hands).toHaveLength(2);
    expect(trackOf({ ...written, easier: { hands: '' } }, 'easier').hands).toEqual([]);
  });
});
