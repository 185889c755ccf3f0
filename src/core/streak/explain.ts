import { dateIn } from '../formats';
import { type Language, MAIN_LANGUAGE } from '../language';
import type { Beat, Streak } from './fold';
import { dateOfDay } from './history';
import type { StreakRule } from './rule';
import { streakWordsIn } from './words';
import type { LessBecause, StreakWords } from './words/words';

/** A line of the account of a streak. */
export interface Account {
  /** The day, or the first and last day of a week, as they are shown. */
  when: string;
  says: string;
  /** The streak after it. */
  count: number;
}

/** "6 meetings in a row"; "24 days kept up" by a rule that forgives some between them. */
export function countWords(
  { current, per, beats }: Streak,
  language: Language = MAIN_LANGUAGE,
): string {
  const forgives = (beats.at(-1)?.stage.misses ?? 0) > 0;
  return streakWordsIn(language).count(current, per, forgives);
}

/** "Tue 3 Nov", as every day is shown, without the year. */
const short = (day: number, language: Language): string =>
  dateIn(language, dateOfDay(day)).replace(/ \d{4}$/, '');

/** Why less was asked than the rule has. */
function lessBecause({ rule, first, last }: Beat): LessBecause {
  if (last - first < 6) return 'no-whole-week';
  return rule.practice ? 'days-off' : 'no-more-on';
}

function whatOf(beat: Beat, words: StreakWords): string {
  const { because, word, meeting, rule, got, need } = beat;
  switch (because) {
    case 'holiday':
      return words.holiday(word ?? '');
    case 'too-short':
      return words.tooShort(Math.floor(meeting?.share ?? 0), rule.leastShare);
    case 'enough':
    case 'too-few': {
      const asked =
        need === rule.times
          ? words.asked(need)
          : need < rule.times && need > 0
            ? words.askedLess(need, lessBecause(beat))
            : '';
      return `${words.done(got)}${asked}`;
    }
    case 'to-come':
      return rule.per === 'meeting' ? words.because[because] : words.soFar(got, need);
    case 'cancelled':
      return meeting?.word ? words.cancelledFor(meeting.word) : words.because[because];
    default:
      return words.because[because];
  }
}

/** What follows from it for the streak. */
function followsOf({ is, after, count }: Beat, words: StreakWords): string {
  if (is === 'kept') return ` ${words.kept(count)}`;
  if (after === 'forgiven') return ` ${words.forgiven(count)}`;
  if (after === 'ended') return ` ${words.ended}`;
  return '';
}

/**
 * A streak told unit by unit, the newest first, as in "Tue 3 Nov: cancelled, so it neither counts nor
 * breaks." What is free by itself, day after day, is told where it begins.
 */
export function explain(
  { beats }: Pick<Streak, 'beats'>,
  language: Language = MAIN_LANGUAGE,
): Account[] {
  const words = streakWordsIn(language);
  const told = beats.filter((beat, i) => {
    const before = beats[i - 1];
    const same = before && before.is === 'free' && before.because === beat.because;
    return !(beat.rule.per === 'day' && beat.is === 'free' && same);
  });
  return told
    .map((beat) => {
      const [first, last] = [short(beat.first, language), short(beat.last, language)];
      return {
        when: beat.first === beat.last ? first : words.span(first, last),
        says: `${whatOf(beat, words)}.${followsOf(beat, words)}`,
        count: beat.count,
      };
    })
    .reverse();
}

/** What a rule asks, in sentences. */
export function ruleWords(rule: StreakRule, language: Language = MAIN_LANGUAGE): string {
  const { per, practice, leastShare, stages, excuses, freezes } = rule;
  const words = streakWordsIn(language);
  const forgiven = stages.map(
    ({ days, misses, among }) =>
      `${words.mayMiss(misses, among, per)}${days === null ? '' : words.forDays(days)}`,
  );
  return [
    `${words.asks(per, rule.times)}; ${forgiven.join(words.thereafter)}.`,
    words.practice[practice ? 'counts' : 'doesNot'],
    leastShare > 0 && words.leastShare(leastShare),
    words.excuses(excuses),
    freezes && words.freezes(freezes.days, freezes.among),
  ]
    .filter(Boolean)
    .join(' ');
}
