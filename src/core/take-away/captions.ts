import type { FollowCue, FollowDocument } from '../follow';
import { nameIn } from '../follow/shown';
import type { Language } from '../language';
import { type Cue, isCount, type Score } from '../score';

/** What is said in a class, line by line, to be read beside its sound. */

export interface Caption {
  /** From the start of the class, in whole ms. */
  startMs: number;
  endMs: number;
  text: string;
  /** The language it is in: what a teacher wrote in one language stays in it. */
  language: Language;
  /** It keeps the beat, and stands apart from the words. */
  count: boolean;
}

/** A stretch of one move. */
export interface Chapter {
  startMs: number;
  endMs: number;
  name: string;
}

/** A class whose words are taken away: with its cues in two languages, as it was made ready to be followed. */
export interface Worded {
  score: Score;
  document: FollowDocument;
}

const at = ({ startMs, durationMs }: Cue | FollowCue) => ({
  startMs: Math.round(startMs),
  endMs: Math.round(startMs + durationMs),
});
const place = ({ step, kind, ref }: Pick<Cue, 'step' | 'kind' | 'ref'>) => `${step} ${kind} ${ref}`;

/**
 * The lines of a class in one of its languages, in their order, at the times of its score. What is said in that
 * language stands where it is said; of all else its translation, where there is one, and else what is said.
 * @param counts whether what keeps the beat is among them
 */
export function captionsOf(
  { score, document }: Worded,
  language: Language,
  { counts }: { counts: boolean },
): Caption[] {
  const said = score.cues.filter((cue) => cue.language === language);
  const line = (cue: Cue | FollowCue, text: string, of: Language): Caption => ({
    ...at(cue),
    text: text.replace(/\s+/g, ' ').trim(),
    language: of,
    count: isCount(cue),
  });
  const refs = new Map(score.cues.map((cue) => [cue.id, cue]));
  const there = new Set(said.map(place));
  const shown = document.score.cues.flatMap((cue) => {
    const whole = refs.get(cue.id);
    if (cue.language === language || (whole && there.has(place(whole)))) return [];
    const other = cue.other?.[language]?.text;
    return [line(cue, other ?? cue.text, other ? language : cue.language)];
  });
  return [...said.map((cue) => line(cue, cue.text, language)), ...shown]
    .filter((l) => l.text !== '' && l.endMs > l.startMs && (counts || !l.count))
    .sort((a, b) => a.startMs - b.startMs || a.endMs - b.endMs);
}

/** The class by its moves: each from where it is announced to where the next one is. */
export function chaptersOf({ score, document }: Worded, language: Language): Chapter[] {
  const nameOf = nameIn(document, language);
  const chapters: (Chapter & { segmentId: string })[] = [];
  for (const { segmentId, moveId, startMs, durationMs } of score.steps) {
    const endMs = Math.round(startMs + durationMs);
    const last = chapters.at(-1);
    if (last?.segmentId === segmentId) last.endMs = endMs;
    else {
      chapters.push({ segmentId, startMs: Math.round(startMs), endMs, name: nameOf(moveId) });
    }
  }
  return chapters.map(({ segmentId: _, ...chapter }) => chapter);
}
