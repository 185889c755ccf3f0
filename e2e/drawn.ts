import { libraryTrack } from '@library/tracks';
import type { Page } from '@playwright/test';
import { actsOf, type Drawing, geometry, handsIn, poseAt, standing } from '@/core/face';
import { type Playback, playLengthMs } from '@/core/run';

const COMPARED = ['head', 'upperLip', 'lowerLip', 'brows', 'lids', 'neck'] as const;
/** Half a frame of movement, in the box's units. */
const NEAR = 3;

export const numbers = (d: string): number[] => d.match(/-?[\d.]+/g)?.map(Number) ?? [];

/** What is drawn of the face now, by its parts, with the first line of each hand. */
export const drawn = (page: Page): Promise<Record<string, string>> =>
  page.evaluate(() => {
    const all = document.querySelectorAll<SVGPathElement>('svg.face [data-part]');
    const face = all[0]?.closest('svg');
    const found: Record<string, string> = {};
    for (const part of face?.querySelectorAll<SVGPathElement>('[data-part]') ?? []) {
      found[part.dataset.part ?? ''] = part.getAttribute('d') ?? '';
    }
    for (const hand of face?.querySelectorAll<SVGGElement>('[data-hand]') ?? []) {
      const arm = hand.querySelector('[data-piece="arm"]')?.getAttribute('d') ?? '';
      if (arm) found[`hand ${hand.dataset.hand}`] = arm;
    }
    return found;
  });

/** What is to be drawn where the class stands; where less movement is wanted, the picture that stands for the step. */
export function wanted(
  { queue, index, elapsedMs }: Playback,
  { moving = true } = {},
): Record<string, string> {
  const acts = actsOf(
    queue.map((p) => p.step),
    (id, variant) => libraryTrack(id, variant) ?? null,
    (i) => (queue[i] ? playLengthMs(queue[i]) : 0),
  );
  const pose = moving ? poseAt(acts, index, elapsedMs) : standing(acts, index);
  const drawing: Drawing = geometry(pose);
  const parts = Object.fromEntries(COMPARED.map((name) => [name, drawing[name].d]));
  for (const { hand, behind, arm } of handsIn(pose)) {
    parts[`hand ${hand}${behind ? ' behind' : ''}`] = arm.d;
  }
  return parts;
}

export function differences(is: Record<string, string>, ought: Record<string, string>): string[] {
  const hands = (of: Record<string, string>) => Object.keys(of).filter((k) => k.startsWith('hand'));
  const missing = hands(is).filter((k) => !(k in ought));
  return Object.entries(ought)
    .flatMap(([name, d]) => {
      const [a, b] = [numbers(is[name] ?? ''), numbers(d)];
      const far = Math.max(0, ...b.map((n, i) => Math.abs(n - (a[i] ?? Number.POSITIVE_INFINITY))));
      return a.length === b.length && far <= NEAR ? [] : [`${name}: ${far.toFixed(1)} off`];
    })
    .concat(missing.map((k) => `${k}: not wanted`));
}
