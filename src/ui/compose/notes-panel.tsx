'use client';

import { clock } from '@/core/formats';
import type { LeftOut, Score } from '@/core/score';
import { GeneralCaution } from '../kit/caution';

export interface NotesPanelProps {
  score: Score;
  nameOf: (segmentId: string) => string;
  onSelect: (segmentId: string) => void;
}

interface Note {
  segmentId: string;
  reason: string;
  texts: string[];
}

/** One note a segment and reason, however many rounds it concerns. */
function gather(leftOut: readonly LeftOut[]): Note[] {
  const notes = new Map<string, Note>();
  for (const { segmentId, reason, text } of leftOut) {
    const key = `${segmentId} ${reason}`;
    const note = notes.get(key) ?? { segmentId, reason, texts: [] };
    if (!note.texts.includes(text)) note.texts.push(text);
    notes.set(key, note);
  }
  return [...notes.values()];
}

/** What a teacher should know before leading the class. */
export function NotesPanel({ score, nameOf, onSelect }: NotesPanelProps) {
  const over = score.totalMs - score.slotMs;
  const notes = gather(score.leftOut);
  return (
    <section aria-labelledby="notes" className="mt-6">
      <h2 id="notes" className="text-lg font-semibold">
        Before you lead it
      </h2>
      <ul className="mt-2 grid gap-2">
        {over > 0 && (
          <li className="border-error border-l-4 pl-3">
            <p className="font-medium">{clock(over)} longer than the slot</p>
            <p className="quiet text-sm">
              Shorten a hold, take out a round, or give it a longer slot.
            </p>
          </li>
        )}
        {notes.map((note) => (
          <li key={`${note.segmentId} ${note.reason}`} className="border-accent border-l-4 pl-3">
            <button
              type="button"
              className="link link-hover text-left font-medium"
              onClick={() => onSelect(note.segmentId)}
            >
              {nameOf(note.segmentId)}:{' '}
              {note.texts.length === 1 ? 'a cue' : `${note.texts.length} cues`} not said
            </button>
            <p className="text-sm">{note.texts.map((t) => `“${t}”`).join(' ')}</p>
            <p className="quiet text-sm">{note.reason}</p>
          </li>
        ))}
        {over <= 0 && notes.length === 0 && (
          <li className="quiet text-sm">Every cue has its place, and the class fits its slot.</li>
        )}
      </ul>
      <GeneralCaution className="mt-4" />
    </section>
  );
}
