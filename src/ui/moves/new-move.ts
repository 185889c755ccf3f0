import { TRACKS } from '@library/tracks';
import type { WrittenTrack } from '@/core/face';
import { type Looks, type Move, type MoveText, moveText, type Picture } from '@/core/move';

/** A move of a teacher's own while it is being written. */

const EMPTY_TEXT: MoveText = { name: '', setup: [], short: '', form: [], letGo: '' };

export const emptyMove: Move = {
  id: 'own-move',
  kind: 'exercise',
  areas: {},
  muscles: [],
  dose: { kind: 'hold', seconds: 20 },
  range: [5, 60],
  sides: 'together',
  rounds: 3,
  release: 'tap',
  releaseSeconds: 8,
  hands: 'free',
  pressure: 'none',
  head: 'level',
  demands: [],
  surface: 'either',
  props: [],
  purposes: ['tone'],
  strokes: [],
  variants: {},
  text: { en: EMPTY_TEXT },
};

/** An id of the studio's own from a name, different from all that are taken. */
export function ownId(name: string, taken: ReadonlySet<string>): string {
  const slug =
    name
      .toLowerCase()
      .normalize('NFKD')
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 48) || 'move';
  let id = `own-${slug}`;
  for (let n = 2; taken.has(id); n++) id = `own-${slug}-${n}`;
  return id;
}

/** A copy to be changed; the name says that it is one. */
export function copyOf(move: Move): Move {
  const text = Object.fromEntries(
    Object.entries(move.text).map(([language, words]) => [
      language,
      words && { ...words, name: `${words.name}, my way` },
    ]),
  ) as Move['text'];
  const written = TRACKS[move.id];
  const looks = move.looks ?? (written && looksOf(written));
  return { ...move, text, ...(looks && { looks }) };
}

/** The picture of a library move, to be changed. */
export function looksOf({ keys, hands, ...versions }: WrittenTrack): Looks {
  const picture = (own: { keys?: WrittenTrack['keys']; hands?: string } = {}): Picture => {
    const fingers = own.hands ?? hands;
    return { keys: [own.keys ?? keys].flat(), ...(fingers && { fingers }) };
  };
  const { easier, harder } = versions;
  return {
    ...picture(),
    ...(easier && { easier: picture(easier) }),
    ...(harder && { harder: picture(harder) }),
  };
}

export const nameOf = (move: Move): string => moveText(move).name;
