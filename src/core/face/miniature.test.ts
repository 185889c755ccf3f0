import { LIBRARY } from '@library';
import { trackOfMove } from '@library/tracks';
import { Window } from 'happy-dom';
import { describe, expect, it } from 'vitest';
import { keyPose, MINIATURE_LINE, miniatureLines, miniatureSheet } from '.';

const { DOMParser } = new Window();
const numbers = (d: string) => (d.match(/-?\d+(?:\.\d+)?/g) ?? []).map(Number);

describe('miniatures of moves', () => {
  const poses = new Map(LIBRARY.map((move) => [move.id, keyPose(trackOfMove(move))]));

  it('stand in one document, each under its id, with the lines they have by themselves', () => {
    const sheet = new DOMParser().parseFromString(miniatureSheet(poses), 'image/svg+xml');
    for (const [id, pose] of poses) {
      const paths = [...(sheet.getElementById(id)?.querySelectorAll('path') ?? [])];
      const lines = miniatureLines(pose, MINIATURE_LINE);
      expect(paths.length, id).toBe(lines.length);
      const drawn = (i: number) => numbers(paths[i]?.getAttribute('d') ?? '');
      // Half a unit is a sixteenth of a px where a miniature is 56 px high.
      const near = lines.every(({ d }, i) => {
        const [exact, coarse] = [numbers(d), drawn(i)];
        const off = exact.map((n, k) => Math.abs(n - (coarse[k] ?? Number.NaN)));
        return exact.length === coarse.length && Math.max(...off) <= 0.5001;
      });
      expect(near, id).toBe(true);
      const of = (name: string) => paths.map((path) => path.getAttribute(name) ?? undefined);
      expect(of('fill')).toEqual(lines.map((line) => line.fill));
      expect(of('stroke-width')).toEqual(lines.map((line) => String(line.width)));
    }
  });

  it('take their colours from where they stand, and show hair only where one chose it', () => {
    const sheet = miniatureSheet(new Map([...poses].slice(0, 1)));
    expect(sheet).toMatch(/display="var\(--face-short-hair, none\)"/);
    expect(sheet.replaceAll('currentColor', '')).not.toMatch(
      /#[0-9a-f]{3,6}|NaN|undefined|[a-z]="[^"]*rgb/,
    );
  });
});
