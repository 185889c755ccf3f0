import type { Plan, Segment } from '../class';
import { breathMs, doseMs, type MoveText } from '../move';
import { countWord, type Phrases } from '../speech';
import { counts } from './counting';
import { CUE_GAP_MS, Lane } from './lane';
import type { CueKind } from './score';
import type { Saying } from './wording';

export interface Spoken {
  kind: CueKind;
  text: string;
  offsetMs: number;
  durationMs: number;
  fromEnd: boolean;
}

export interface WorkCues {
  spoken: Spoken[];
  leftOut: Saying[];
}

/** A reminder is enough every so often; more would be chatter. */
const FORM_EVERY_MS = 6_000;
const BREATHS_SPOKEN = 2;

type Length = (text: string) => number;

/**
 * The cues of one work part. Must-say cues first (counts, breath words, then any explanation the
 * class gives throughout); form reminders are spread over what is left. What has no room is left
 * out and handed back, never spoken over a count.
 * @param formFrom which form reminder comes first, so that rounds rotate through them
 */
export function workCues(
  segment: Segment,
  text: MoveText,
  plan: Plan,
  phrases: Phrases,
  explained: Saying[],
  formFrom: number,
  length: Length,
): WorkCues {
  const total = doseMs(segment.dose);
  const lane = new Lane(total);
  const spoken: Spoken[] = [];
  const leftOut: Saying[] = [];
  const put = (kind: CueKind, said: string, offsetMs: number, fromEnd = false) => {
    const durationMs = length(said);
    lane.take(offsetMs, durationMs);
    spoken.push({ kind, text: said, offsetMs, durationMs, fromEnd });
    return offsetMs + durationMs;
  };
  const putIfFree = (kind: CueKind, said: string, offsetMs: number, fromEnd = false) => {
    if (lane.fits(offsetMs, length(said))) put(kind, said, offsetMs, fromEnd);
    else leftOut.push({ kind, text: said });
  };

  const wordMs = (n: number) => length(countWord(phrases, n));
  for (const count of counts(segment.dose, plan.rules.counting, wordMs)) {
    putIfFree('count', countWord(phrases, count.number), count.offsetMs, count.fromEnd);
  }
  if (segment.dose.kind === 'breaths') {
    const { pattern, breaths } = segment.dose;
    for (let b = 0; b < Math.min(breaths, BREATHS_SPOKEN); b++) {
      const start = b * breathMs(pattern);
      putIfFree('breath', phrases.breatheIn, start);
      const out = start + Math.round((pattern.in + pattern.hold) * 1000);
      putIfFree('breath', phrases.breatheOut, out);
    }
  }

  let from = CUE_GAP_MS;
  for (const saying of explained) {
    const start = lane.nearest(from, length(saying.text), from);
    if (start === undefined) leftOut.push(saying);
    else from = put(saying.kind, saying.text, start) + CUE_GAP_MS;
  }

  const room = Math.max(0, Math.floor(total / FORM_EVERY_MS) - explained.length);
  const wanted = Math.min(text.form.length, room);
  for (let i = 0; i < wanted; i++) {
    const said = text.form[(formFrom + i) % text.form.length];
    if (said === undefined) break;
    const wish = Math.round((total * (i + 1)) / (wanted + 1)) - Math.round(length(said) / 2);
    const start = lane.nearest(wish, length(said));
    if (start === undefined) leftOut.push({ kind: 'form', text: said });
    else put('form', said, start);
  }
  spoken.sort((a, b) => a.offsetMs - b.offsetMs);
  return { spoken, leftOut };
}
