'use client';

import { Pause, Play, X } from 'lucide-react';
import { clock } from '@/core/formats';
import { type Cue, type Score, stepAt } from '@/core/score';
import { type Rehearsal, SPEEDS } from './use-rehearsal';

export interface RehearseBarProps {
  rehearsal: Rehearsal;
  score: Score;
  nameOf: (moveId: string) => string;
}

const STEP_WORDS = {
  upbeat: 'Upbeat',
  work: 'Work',
  switch: 'Change of side',
  release: 'Release',
  rest: 'Rest',
} as const;

/** The cue that is being said at a time, or the last one before it in the same step. */
function cueAt(score: Score, atMs: number): Cue | undefined {
  const step = stepAt(score, atMs);
  const index = step ? score.steps.indexOf(step) : -1;
  return score.cues.findLast((c) => c.step === index && c.startMs <= atMs);
}

/** The controls of a rehearsal, at the foot of the page. */
export function RehearseBar({ rehearsal, score, nameOf }: RehearseBarProps) {
  const { playing, atMs, speed, voice } = rehearsal;
  const step = stepAt(score, atMs);
  const cue = cueAt(score, atMs);
  return (
    <section
      aria-label="Rehearsal"
      className="bg-base-100 border-base-content/30 fixed inset-x-0 bottom-0 z-30 border-t shadow-lg"
    >
      <div className="mx-auto flex max-w-[100rem] flex-wrap items-center gap-x-4 gap-y-2 px-4 py-2 sm:px-6">
        <button
          type="button"
          className="btn btn-primary"
          onClick={playing ? rehearsal.pause : rehearsal.play}
        >
          {playing ? <Pause size={18} aria-hidden /> : <Play size={18} aria-hidden />}
          {playing ? 'Pause' : 'Play'}
        </button>
        <fieldset className="join">
          <legend className="sr-only">Speed</legend>
          {SPEEDS.map((s) => (
            <button
              key={s}
              type="button"
              className="btn btn-sm join-item figures aria-pressed:bg-base-content aria-pressed:text-base-100"
              aria-pressed={speed === s}
              onClick={() => rehearsal.setSpeed(s)}
            >
              {s}×
            </button>
          ))}
        </fieldset>
        <fieldset className="join">
          <legend className="sr-only">Heard</legend>
          {[true, false].map((spoken) => (
            <button
              key={String(spoken)}
              type="button"
              className="btn btn-sm join-item aria-pressed:bg-base-content aria-pressed:text-base-100"
              aria-pressed={voice === spoken}
              onClick={() => rehearsal.setVoice(spoken)}
            >
              {spoken ? 'Voice' : 'Marks only'}
            </button>
          ))}
        </fieldset>
        <span className="figures w-28 text-center font-bold" data-testid="rehearsed">
          {clock(atMs)} / {clock(score.totalMs)}
        </span>
        <input
          type="range"
          className="range range-sm min-w-40 flex-1"
          aria-label="Where the rehearsal stands"
          aria-valuetext={`${clock(atMs)}${step ? `, ${nameOf(step.moveId)}` : ''}`}
          min={0}
          max={Math.max(1, Math.round(score.totalMs / 1000))}
          value={Math.round(atMs / 1000)}
          onChange={(e) => rehearsal.jump(Number(e.target.value) * 1000)}
        />
        <button type="button" className="btn btn-ghost btn-sm" onClick={rehearsal.end}>
          <X size={18} aria-hidden /> End
        </button>
        <p className="w-full truncate text-sm">
          {step && (
            <>
              <b>{nameOf(step.moveId)}</b> · {STEP_WORDS[step.kind]}
              {step.rounds > 1 && `, round ${step.round} of ${step.rounds}`}
            </>
          )}
          {cue && <span className="quiet"> · “{cue.text}”</span>}
        </p>
      </div>
    </section>
  );
}
