import { type BreathWords, type Counting, countingTraits, type StageSpan } from '../class';
import type { Language } from '../language';
import { breathMs, type Dose, doseMs, traitsOf } from '../move';
import { countWord, type Phrases } from '../speech';
import { type CountedSpan, type CountsOn, counts, countsOn } from './counting';
import { CUE_GAP_MS, Lane } from './lane';
import type { Side } from './score';
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

/** Which breaths are led in words, from 0 on: all; or the first two and then every third. */
const LED: Record<BreathWords, (breath: number) => boolean> = {
  every: () => true,
  thinning: (breath) => breath < 2 || (breath - 1) % 3 === 0,
  tones: () => false,
  none: () => false,
};
/** Of fewer breaths the last is not told apart. */
const TELL_LAST_FROM = 3;

export interface WorkPart {
  dose: Dose;
  side: Side;
  counting: Counting;
  breathWords: BreathWords;
  /** "Go" at the start, where nothing else is said there. */
  go: boolean;
  stages: readonly StageSpan[];
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

/** What tells how a work part is counted. */
type Counted = Pick<WorkPart, 'dose' | 'counting' | 'wording' | 'stages'>;

/** How a work part is counted on where it is made longer; null where it is not counted up to its end. */
export function countedOn(of: Counted, longestWordMs: WorkPart['longestWordMs']): CountsOn | null {
  const last = countedSpans(of, doseMs(of.dose)).at(-1);
  return last ? countsOn(of.dose, last.counting, longestWordMs, last.span) : null;
}

/** What is counted for itself: each stage, or all of the work. */
function countedSpans(
  { dose, counting, wording, stages }: Counted,
  durationMs: number,
): { counting: Counting; span: CountedSpan }[] {
  if (wording.muted('count')) return [];
  if (stages.length === 0) return [{ counting, span: { startMs: 0, durationMs, last: true } }];
  const byNumber = traitsOf(dose).countedBy === 'number';
  return stages.map(({ stage, startMs, durationMs: ms }, i) => {
    const last = i === stages.length - 1;
    const usual = last || byNumber || countingTraits(counting).tone ? counting : 'none';
    return { counting: stage.counting ?? usual, span: { startMs, durationMs: ms, last } };
  });
}

/**
 * The cues of one work part. Must-say cues first (stages, counts, breath words, then any explanation the
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
  /** While a stage is told: what else would be said then gives way, and is not missed. */
  const givesWay = (at: number) =>
    part.stages.some(({ stage, startMs }) => {
      const until = startMs + length(stage.words, language) + CUE_GAP_MS;
      return at >= startMs && at < until;
    });
  const putIfFree = (
    kind: 'count' | 'breath',
    text: string,
    { offsetMs, fromEnd }: { offsetMs: number; fromEnd: boolean },
  ) => {
    const saying: Saying = { kind, text, language, ref: kind };
    const durationMs = length(text, language);
    if (lane.fits(offsetMs, durationMs)) put({ saying, offsetMs, durationMs, fromEnd });
    else if (!givesWay(offsetMs)) leftOut.push(saying);
  };

  for (const { stage, startMs } of part.stages) {
    const saying: Saying = { kind: 'stage', text: stage.words, language };
    const durationMs = length(stage.words, language);
    if (lane.fits(startMs, durationMs)) {
      put({ saying, offsetMs: startMs, durationMs, fromEnd: false });
    } else leftOut.push(saying);
  }
  for (const { counting, span } of countedSpans(part, total)) {
    for (const count of counts(dose, counting, part.longestWordMs, span)) {
      putIfFree('count', countWord(phrases, count.number), count);
    }
  }
  if (dose.kind === 'breaths' && !part.wording.muted('breath')) {
    const { pattern, breaths } = dose;
    const isLed = LED[part.breathWords];
    const inWords = part.breathWords === 'every' || part.breathWords === 'thinning';
    for (let b = 0; b < breaths; b++) {
      const isLast = inWords && breaths >= TELL_LAST_FROM && b === breaths - 1;
      if (!isLed(b) && !isLast) continue;
      const start = b * breathMs(pattern);
      const fromEnd = isLast;
      const out = start + Math.round((pattern.in + pattern.hold) * 1000);
      // Where the breath in is too short for it, that it is the last is not told, but how to breathe is.
      const tells = isLast && length(phrases.lastBreath, language) + CUE_GAP_MS <= out - start;
      const text = tells ? phrases.lastBreath : phrases.breatheIn;
      putIfFree('breath', text, { offsetMs: start, fromEnd });
      putIfFree('breath', phrases.breatheOut, { offsetMs: out, fromEnd });
    }
  }
  if (part.go) {
    const durationMs = length(phrases.go, language);
    const saying: Saying = { kind: 'go', text: phrases.go, language };
    if (lane.fits(0, durationMs)) put({ saying, offsetMs: 0, durationMs, fromEnd: false });
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
  const reminders = part.wording.form(part.formFrom, room, part.side);
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
