/** How a class counts. A further way is an entry here. */
interface CountingTraits {
  /** Ends a sentence that begins with "counted". */
  name: string;
  /** Which numbers are said: the dose itself may say, and nothing where there is none. */
  aloud?: 'up' | 'down' | 'last-five' | 'as the dose is counted';
  /** A soft tone marks every beat. */
  tone?: true;
}

const WAYS = {
  'last-five': { name: 'the last five, down', aloud: 'last-five' },
  up: { name: 'all of it, up', aloud: 'up' },
  down: { name: 'all of it, down', aloud: 'down' },
  'every-rep': { name: 'every rep, holds by the last five', aloud: 'as the dose is counted' },
  beat: { name: 'only the beat, by a soft tone', tone: true },
  none: { name: 'not aloud' },
} as const satisfies Record<string, CountingTraits>;

export type Counting = keyof typeof WAYS;
export const COUNTING = Object.keys(WAYS) as [Counting, ...Counting[]];
export const COUNTING_NAMES = Object.fromEntries(
  COUNTING.map((way) => [way, WAYS[way].name]),
) as Record<Counting, string>;
export const countingTraits = (way: Counting): CountingTraits => WAYS[way];
