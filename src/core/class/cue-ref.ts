/**
 * Which cue of a segment is meant: its kind, and of set-up sentences and form reminders which of them.
 * In a plan it is a string; what the string says is read here and nowhere else.
 */

const LISTED = ['setup', 'form'] as const;
const SINGLE = [
  'announce',
  'short',
  'side',
  'dose',
  'letGo',
  'release',
  'count',
  'breath',
] as const;
export type ListedKind = (typeof LISTED)[number];
type SingleKind = (typeof SINGLE)[number];

export type CueRef = { kind: ListedKind; index: number } | { kind: SingleKind };

const isListed = (kind: string): kind is ListedKind => (LISTED as readonly string[]).includes(kind);

export const isListedRef = (ref: CueRef): ref is { kind: ListedKind; index: number } =>
  isListed(ref.kind);

/** As it stands in a plan, as in `form:2` or `letGo`. */
export const printRef = (ref: CueRef): string =>
  isListedRef(ref) ? `${ref.kind}:${ref.index}` : ref.kind;

/** Reads a reference; null where it names no cue. */
export function parseRef(text: string): CueRef | null {
  const [, kind = '', index] = /^(\w+)(?::(\d))?$/.exec(text) ?? [];
  if (isListed(kind)) return index === undefined ? null : { kind, index: Number(index) };
  const single = SINGLE.find((k) => k === kind);
  return single && index === undefined ? { kind: single } : null;
}
