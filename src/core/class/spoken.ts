import type { Rules, Segment } from './plan';

/** What a segment may have of its own instead of the house rule of its class. */
export const SPOKEN_RULES = [
  'say',
  'counting',
  'countIn',
  'go',
  'breathWords',
  'straightOn',
] as const;
export type Speaking = Pick<Rules, (typeof SPOKEN_RULES)[number]>;

/** How a segment is spoken: by its own rules, and by those of its class where it has none. */
export const speakingOf = (rules: Rules, segment: Segment): Speaking => ({
  say: segment.say ?? rules.say,
  counting: segment.counting ?? rules.counting,
  countIn: segment.countIn ?? rules.countIn,
  go: segment.go ?? rules.go,
  breathWords: segment.breathWords ?? rules.breathWords,
  straightOn: segment.straightOn ?? rules.straightOn,
});
