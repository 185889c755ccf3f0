import { type Language, MAIN_LANGUAGE } from '../language';
import type { Per } from './counted';
import type { Beat, Streak } from './fold';
import type { Look } from './looks';
import { streakWordsIn } from './words';

export interface Arc {
  /** The first and the last beat it holds together, by their place. */
  from: number;
  to: number;
  /** It is the streak that still runs. */
  now: boolean;
}

/** A streak as it is drawn and said: its latest beats, and the arcs that hold them together. */
export interface BeatLine {
  per: Per;
  current: number;
  longest: number;
  looks: Look[];
  arcs: Arc[];
  /** It in words, in the language of whoever reads it. */
  says: string;
}

function lookOf({ is, because }: Beat): Look {
  if (is === 'kept') return because === 'late' ? 'late' : 'kept';
  if (is === 'missed') return 'missed';
  if (is === 'open') return 'to come';
  return because === 'cancelled' || because === 'holiday' ? 'off' : 'grain';
}

/** The latest beats of a streak, so many at most, as they are drawn and said. */
export function drawn(streak: Streak, most: number, language: Language = MAIN_LANGUAGE): BeatLine {
  const { per, current, longest } = streak;
  // Of what is still to come only the next is drawn; one that nobody closed is past.
  const next = streak.beats.findIndex((b) => b.because === 'to-come');
  const told = streak.beats.filter(
    (b, i) => next < 0 || i <= next || b.is === 'kept' || b.is === 'missed',
  );
  const beats = told.slice(-most);
  const arcs: Arc[] = [];
  let open: Arc | null = null;
  beats.forEach((beat, i) => {
    if (beat.is === 'kept') {
      open ??= { from: i, to: i, now: false };
      open.to = i;
    } else if (beat.after === 'ended' && open) {
      arcs.push(open);
      open = null;
    }
    // Where another unit is counted from here on, the arc before has ended.
    const following = beats[i + 1];
    if (open && following && following.rule.per !== beat.rule.per) {
      arcs.push(open);
      open = null;
    }
  });
  if (open) arcs.push({ ...(open as Arc), now: current > 0 });
  const looks = beats.map(lookOf);
  return { per, current, longest, looks, arcs, says: lineWords(looks, language) };
}

/** Beats in words, grouped, the oldest first: "3 kept, 1 cancelled, 2 kept, 1 to come". */
function lineWords(looks: readonly Look[], language: Language): string {
  const words = streakWordsIn(language);
  if (looks.length === 0) return words.nothingYet;
  const groups: { look: Look; n: number }[] = [];
  for (const look of looks) {
    const last = groups.at(-1);
    if (last?.look === look) last.n++;
    else groups.push({ look, n: 1 });
  }
  return groups.map(({ look, n }) => `${n} ${words.looks[look]}`).join(', ');
}
