/** What is done when the work ends, before the next round. A further kind is an entry here and its phrase. */
interface ReleaseTraits {
  name: string;
  /** How light the hands are that lie on what was worked; none where no hand does. */
  hands?: 'feather' | 'light';
  /** A neck has words of its own: one hand, never both at once beside the throat. */
  ownWordsOnNeck?: true;
  /** The shares of the release that one breath in and one out take. */
  breath?: { in: number; out: number };
}

const KINDS = {
  tap: { name: 'tap it off', hands: 'feather' },
  massage: { name: 'stroke it out', hands: 'light', ownWordsOnNeck: true },
  breaths: { name: 'two slow breaths', breath: { in: 0.2, out: 0.3 } },
  none: { name: 'straight on' },
} as const satisfies Record<string, ReleaseTraits>;

export type Release = keyof typeof KINDS;
export const RELEASES = Object.keys(KINDS) as [Release, ...Release[]];
export const RELEASE_NAMES = Object.fromEntries(
  RELEASES.map((kind) => [kind, KINDS[kind].name]),
) as Record<Release, string>;
export const releaseTraits = (kind: Release): ReleaseTraits => KINDS[kind];

/** The release for whoever must not be touched: it needs no hands. */
export const HANDS_FREE_RELEASE: Release = 'breaths';
