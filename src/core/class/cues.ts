import { LANGUAGES } from '../language';
import type { Move, MoveText, Variant } from '../move';
import { type CueRef, isListedRef, type ListedKind, parseRef, printRef } from './cue-ref';
import type { Segment, SegmentCues } from './plan';

/** Pure edits of what is said in one segment. Cues are named as in `form:2`; see `CueRef`. */

type Words = Pick<MoveText, 'setup' | 'short' | 'form' | 'letGo'>;

/** The kinds whose words a teacher can write. Connecting words and counts stay as they are. */
const WRITABLE = ['announce', 'setup', 'short', 'form', 'letGo'] as const;
type Writable = (typeof WRITABLE)[number];

const writable = (ref: CueRef | null): Writable | undefined =>
  WRITABLE.find((k) => k === ref?.kind);

/** Whether a teacher can write a cue in their own words. */
export const isWritable = (ref: string): boolean => writable(parseRef(ref)) !== undefined;

/** Whether a cue can be said at a time of its own. */
export const isMovable = (ref: string): boolean => {
  const of = parseRef(ref);
  return of !== null && isListedRef(of);
};

/** Whether the words of a cue are the teacher's own. */
export function isOwn(segment: Segment, ref: string): boolean {
  const kind = writable(parseRef(ref));
  return kind !== undefined && segment.cues?.[kind] !== undefined;
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
function shifted(text: string, kind: ListedKind, taken: number): string | null {
  const ref = parseRef(text);
  if (!ref || !isListedRef(ref) || ref.kind !== kind || ref.index < taken) return text;
  return ref.index === taken ? null : printRef({ kind, index: ref.index - 1 });
}

/**
 * Writes a cue in the teacher's own words. An index one past the end adds a sentence; an empty text
 * takes a sentence out of its list, or gives a single cue its own words back.
 */
export function writeCue(segment: Segment, words: Words, ref: string, text: string): Segment {
  const of = parseRef(ref);
  const said = text.trim();
  if (!of || !writable(of)) return segment;
  if (!isListedRef(of)) return withCues(segment, { ...segment.cues, [of.kind]: said || undefined });
  const { kind, index } = of;
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
  const kind = parseRef(ref)?.kind;
  const { cues = {} } = segment;
  if (!kind) return segment;
  const others = (other: string) => parseRef(other)?.kind !== kind;
  return withCues(segment, {
    ...cues,
    [kind]: undefined,
    muted: cues.muted?.filter(others),
    pins: cues.pins?.filter((p) => others(p.cue)),
  });
}

const mutedBut = (segment: Segment, ref: string): string[] =>
  segment.cues?.muted?.filter((m) => m !== ref) ?? [];

/** Keeps a cue from being said. */
export const muteCue = (segment: Segment, ref: string): Segment =>
  withCues(segment, { ...segment.cues, muted: [...mutedBut(segment, ref), ref] });

/** Lets a cue be said again that was muted. */
export const unmuteCue = (segment: Segment, ref: string): Segment =>
  withCues(segment, { ...segment.cues, muted: mutedBut(segment, ref) });

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

/** The kinds whose words a variant may have of its own. */
export const OF_VARIANTS = ['setup', 'short', 'form', 'letGo'] as const;

/**
 * What a teacher wrote, muted and timed in a segment, as far as it is true of a variant. It is written for the variant
 * that the segment has: of what another one has words of its own for, nothing is left.
 */
export function cuesIn(
  { cues, variant: writtenFor }: Segment,
  { text }: Move,
  variant: Variant | undefined,
): SegmentCues | undefined {
  if (!cues || variant === writtenFor) return cues;
  const differs = (kind: string | undefined) =>
    OF_VARIANTS.some(
      (own) =>
        own === kind &&
        [writtenFor, variant].some(
          (of) => of && LANGUAGES.some((language) => text[language]?.[of]?.[own] !== undefined),
        ),
    );
  const { muted, pins, ...words } = cues;
  const kept = Object.entries(words).filter(([kind]) => !differs(kind));
  return {
    ...Object.fromEntries(kept),
    ...(muted && { muted: muted.filter((ref) => !differs(parseRef(ref)?.kind)) }),
    ...(pins && { pins: pins.filter(({ cue }) => !differs(parseRef(cue)?.kind)) }),
  };
}

/**
 * The segment in its easier version throughout, with what of its cues is true of that. Stages of a hold, which mostly
 * go on to more, are of the version that they were written for.
 */
export function allEasier(segment: Segment, move: Move): Segment {
  const { byRound, stages, ...rest } = segment;
  const rounds = byRound?.map(({ variant: _, ...change }) => change);
  const eased: Segment = {
    ...rest,
    variant: 'easier',
    ...(rounds && { byRound: rounds }),
    ...(stages && segment.variant === 'easier' && { stages }),
  };
  return withCues(eased, cuesIn(segment, move, 'easier') ?? {});
}

/** Whether the easier version of a segment has words of the move where the teacher wrote some for the usual one. */
export const losesOwnWords = (segment: Segment, move: Move): boolean =>
  (segment.stages !== undefined && segment.variant !== 'easier') ||
  WRITABLE.some((kind) => segment.cues?.[kind] && !cuesIn(segment, move, 'easier')?.[kind]);
