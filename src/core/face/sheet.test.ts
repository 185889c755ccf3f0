import { libraryTrack } from '@library/tracks';
import fc from 'fast-check';
import { Window } from 'happy-dom';
import { describe, expect, it } from 'vitest';
import { faceSheet, geometry, keyPose, STILL } from '.';

const { DOMParser } = new Window();
const read = (svg: string) => new DOMParser().parseFromString(svg, 'image/svg+xml');
const words = (svg: string) =>
  [...read(svg).querySelectorAll('text')].map((text) => text.textContent);

describe('a sheet of pictures', () => {
  const track = libraryTrack('pen-under-nose');
  const poses = track ? [keyPose(track, { first: true }), keyPose(track)] : [];

  it('draws every figure with its words, in colours of its own', () => {
    const figures = [
      { name: 'Pen under the nose', note: '20 s hold', poses },
      { name: 'At rest', poses: [STILL] },
    ];
    const svg = faceSheet('Loose jaw', figures, 'Left is on the left.');
    expect(words(svg)).toEqual([
      'Loose jaw',
      'Pen under the nose',
      '20 s hold',
      'At rest',
      'Left is on the left.',
    ]);
    expect(read(svg).querySelectorAll('svg svg')).toHaveLength(3);
    // It stands alone: nothing is asked of a style sheet.
    expect(svg).not.toMatch(/var\(|class=|currentColor|undefined|NaN/);
    expect(svg).toContain(geometry(keyPose(track ?? never())).pen.d);
  });

  it('stays a document whatever people write, and says no more than they wrote', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 80 }), (name) => {
        const svg = faceSheet(name, [{ name, note: name, poses: [] }], name);
        const document = read(svg);
        expect(document.querySelector('parsererror')).toBeNull();
        expect([...document.querySelectorAll('*')].map((e) => e.tagName.toLowerCase())).toEqual(
          expect.not.arrayContaining(['script', 'parsererror', 'img', 'a']),
        );
        expect(document.querySelectorAll('script, style, [onload]')).toHaveLength(0);
      }),
      { numRuns: 200 },
    );
    const [title] = words(faceSheet('<script>alert("x") & more', [], ''));
    expect(title).toBe('<script>alert("x") & more');
  });

  it('breaks a long name in two and cuts what is longer', () => {
    const long =
      'Brow lift with the heels of both hands, slowly, as far as it goes without a frown';
    const [, first, second] = words(faceSheet('x', [{ name: long, poses: [STILL] }], ''));
    expect(first).toBe('Brow lift with the heels of both');
    expect(second).toBe('hands, slowly, as far as it goes …');
    const [, one] = words(faceSheet('x', [{ name: 'W'.repeat(60), poses: [] }], ''));
    expect(one).toBe(`${'W'.repeat(33)}…`);
  });
});

function never(): never {
  throw new Error('the move is not there');
}
