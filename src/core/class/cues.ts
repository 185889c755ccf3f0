import type { MoveText } from '../move';
import type { Segment, SegmentCues } from './plan';

/** Pure edits of what is said in one segment. Cues are named as in `form:2`; see `cueRefSchema`. */

type Words = Pick<MoveText, 'setup' | 'short' | 'form' | 'letGo'>;
const LISTS = ['setup', 'form'] as const;
const SINGLES = ['announce', 'short', 'letGo'] as const;

const part = (ref: string): [kind: string, index: number] => {
  const [kind = '', index] = ref.split(':');
  return [kind, Number(index ?? 0)];
};
const isList = (kind: string): kind is (typeof LISTS)[number] => LISTS.some((l) => l === kind);
const isSingle = (kind: string): kind is (typeof SINGLES)[number] =>
  SINGLES.some((s) => s === kind);

/** Whether a teacher can write a cue in their own words. Connecting words and counts stay as they are. */
export const isWritable = (ref: string): boolean => {
  const [kind] = part(ref);
  return isList(kind) || isSingle(kind);
};

/** Whether a cue can be said at a time of its own. */
export const isMovable = (ref: string): boolean => isList(part(ref)[0]);

/** Whether the words of a cue are the teacher's own. */
export function isOwn(segment: Segment, ref: string): boolean {
  const [kind] = part(ref);
  return (isList(kind) || isSingle(kind)) && segment.cues?.[kind] !== undefined;
}

function withCues(segment: Segment, cues: SegmentCues): Segment {
  const { cues: _, ...rest } = segment;
  const kept = Object.fromEntries(
    Object.entries(cues).filter(
      ([, value]) => value !== undefined && !(Array.isArray(value) && value.length === 0),
    ),
  );
  return Object.keys(kept).length ? { ...rest, cues: kept } : rest;
}

/** References of a list shift down by one where an entry before them is taken out. */
function shifted(ref: string, kind: string, taken: number): string | null {
  const [of, index] = part(ref);
  if (of !== kind) return ref;
  return index === taken ? null : index > taken ? `${kind}:${index - 1}` : ref;
}

/**
 * Writes a cue in the teacher's own words. An index one past the end adds a sentence; an empty text
 * takes a sentence out of its list, or gives a single cue its own words back.
 */
export function writeCue(segment: Segment, words: Words, ref: string, text: string): Segment {
  const [kind, index] = part(ref);
  const said = text.trim();
  if (isSingle(kind)) return withCues(segment, { ...segment.cues, [kind]: said || undefined });
  if (!isList(kind)) return segment;
  const list = [...(segment.cues?.[kind] ?? words[kind])];
  if (said) list[index] = said;
  else list.splice(index, 1);
  if (list.length === 0) return segment;
  const cues = { ...segment.cues, [kind]: list };
  if (said) return withCues(segment, cues);
  return withCues(segment, {
    ...cues,
    muted: cues.muted?.flatMap((m) => shifted(m, kind, index) ?? []),
    pins: cues.pins?.flatMap((pin) => {
      const cue = shifted(pin.cue, kind, index);
      return cue ? [{ ...pin, cue }] : [];
    }),
  });
}

/** Gives a cue, or the whole list it belongs to, the words of the library back. */
export function libraryWords(segment: Segment, ref: string): Segment {
  const [kind] = part(ref);
  const { cues = {} } = segment;
  const others = (of: string) => part(of)[0] !== kind;
  return withCues(segment, {
    ...cues,
    [kind]: undefined,
    muted: cues.muted?.filter(others),
    pins: cues.pins?.filter((p) => others(p.cue)),
  });
}

/** Keeps a cue from being said, or lets it be said again. */
export function muteCue(segment: Segment, ref: string, muted: boolean): Segment {
  const before = segment.cues?.muted?.filter((m) => m !== ref) ?? [];
  return withCues(segment, { ...segment.cues, muted: muted ? [...before, ref] : before });
}

/** Says a cue at a time of the work, in seconds, or lets the score place it again with null. */
export function pinCue(segment: Segment, ref: string, atSeconds: number | null): Segment {
  const before = segment.cues?.pins?.filter((p) => p.cue !== ref) ?? [];
  const at =
    atSeconds === null ? null : Math.round(Math.max(0, Math.min(600, atSeconds)) * 10) / 10;
  return withCues(segment, {
    ...segment.cues,
    pins: at === null ? before : [...before, { cue: ref, atSeconds: at }],
  });
}
