import type { Counting } from '../class';
import type { Language } from '../language';
import { breathMs, type Dose, doseMs } from '../move';
import { countWord, type Phrases } from '../speech';
import { counts } from './counting';
import { CUE_GAP_MS, Lane } from './lane';
import type { Length } from './timing';
import type { Pinned, Saying, Wording } from './wording';

export interface PlacedCue {
  saying: Saying;
  offsetMs: number;
  durationMs: number;
  fromEnd: boolean;
}

export interface WorkCues {
  spoken: PlacedCue[];
  leftOut: Saying[];
}

/** A reminder is enough every so often; more would be chatter. */
const FORM_EVERY_MS = 6_000;
const BREATHS_SPOKEN = 2;

export interface WorkPart {
  dose: Dose;
  counting: Counting;
  language: Language;
  phrases: Phrases;
  wording: Wording;
  /** Explanation that is given while the work runs. */
  guidance: Saying[];
  /** What the teacher wants at a certain time. */
  pinned: Pinned[];
  /** Which form reminder comes first, so that rounds rotate through them. */
  formFrom: number;
  length: Length;
  longestWordMs: (upTo: number) => number;
}

/**
 * The cues of one work part. Must-say cues first (counts, breath words, then any explanation the
 * class gives throughout); form reminders are spread over what is left. What has no room is left
 * out and handed back, never spoken over a count.
 */
export function workCues(part: WorkPart): WorkCues {
  const { dose, language, phrases, guidance, length } = part;
  const total = doseMs(dose);
  const lane = new Lane(total);
  const spoken: PlacedCue[] = [];
  const leftOut: Saying[] = [];
  const put = (cue: PlacedCue): number => {
    lane.take(cue.offsetMs, cue.durationMs);
    spoken.push(cue);
    return cue.offsetMs + cue.durationMs + CUE_GAP_MS;
  };
  const putIfFree = (
    kind: 'count' | 'breath',
    text: string,
    { offsetMs, fromEnd }: { offsetMs: number; fromEnd: boolean },
  ) => {
    const saying: Saying = { kind, text, language, ref: kind };
    const durationMs = length(text, language);
    if (lane.fits(offsetMs, durationMs)) put({ saying, offsetMs, durationMs, fromEnd });
    else leftOut.push(saying);
  };

  const counting = part.wording.muted('count') ? 'none' : part.counting;
  for (const count of counts(dose, counting, part.longestWordMs)) {
    putIfFree('count', countWord(phrases, count.number), count);
  }
  if (dose.kind === 'breaths' && !part.wording.muted('breath')) {
    const { pattern, breaths } = dose;
    for (let b = 0; b < Math.min(breaths, BREATHS_SPOKEN); b++) {
      const start = b * breathMs(pattern);
      putIfFree('breath', phrases.breatheIn, { offsetMs: start, fromEnd: false });
      const out = start + Math.round((pattern.in + pattern.hold) * 1000);
      putIfFree('breath', phrases.breatheOut, { offsetMs: out, fromEnd: false });
    }
  }

  for (const { saying, atMs } of part.pinned) {
    const ms = length(saying.text, saying.language);
    const start = lane.nearest(atMs, ms);
    if (start === undefined) leftOut.push(saying);
    else put({ saying, offsetMs: start, durationMs: ms, fromEnd: false });
  }

  let from = CUE_GAP_MS;
  for (const saying of guidance) {
    const ms = length(saying.text, saying.language);
    const start = lane.nearest(from, ms, from);
    if (start === undefined) leftOut.push(saying);
    else from = put({ saying, offsetMs: start, durationMs: ms, fromEnd: false });
  }

  const room = Math.max(0, Math.floor(total / FORM_EVERY_MS) - guidance.length);
  const reminders = part.wording.form(part.formFrom, room);
  reminders.forEach((sayings, i) => {
    const wish = (total * (i + 1)) / (reminders.length + 1);
    let earliest = 0;
    for (const saying of sayings) {
      const ms = length(saying.text, saying.language);
      const start = lane.nearest(Math.max(earliest, Math.round(wish - ms / 2)), ms, earliest);
      if (start === undefined) leftOut.push(saying);
      else earliest = put({ saying, offsetMs: start, durationMs: ms, fromEnd: false });
    }
  });
  spoken.sort((a, b) => a.offsetMs - b.offsetMs);
  return { spoken, leftOut };
}
