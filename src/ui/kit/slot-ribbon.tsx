'use client';

import { clock } from '@/core/formats';
import type { Kind } from '@/core/move';
import type { StepKind } from '@/core/score';
import { stepFill } from './ribbon';

/** A stretch of a class, as far as it is drawn. */
export interface Stretch {
  kind: Kind;
  step: StepKind;
  ms: number;
}

/** A class in its slot: what is to spare stays empty, what is over stands behind a line. */
export function SlotRibbon({
  stretches,
  slotMs,
}: {
  stretches: readonly Stretch[];
  slotMs: number;
}) {
  const totalMs = stretches.reduce((sum, s) => sum + s.ms, 0);
  const wide = Math.max(slotMs, totalMs);
  const percent = (ms: number) => `${(100 * ms) / wide}%`;
  const spare = slotMs - totalMs;
  return (
    <div>
      <div
        aria-hidden
        className="own-colours bg-base-300/60 relative flex h-7 overflow-hidden rounded-md"
      >
        {stretches.map((s, i) => (
          <span
            // biome-ignore lint/suspicious/noArrayIndexKey: stretches have no other identity and never move
            key={i}
            className={s.step === 'upbeat' ? 'border-base-100 border-l first:border-0' : ''}
            style={{ width: percent(s.ms), background: stepFill({ kind: s.step }, s.kind) }}
          />
        ))}
        {spare < 0 && (
          <span
            className="border-error absolute inset-y-0 border-l-3"
            style={{ left: percent(slotMs) }}
          />
        )}
      </div>
      <p className="figures quiet mt-1 flex justify-between gap-4 text-sm">
        <span>{clock(totalMs)} in your voice</span>
        <span className={spare < 0 ? 'text-error font-semibold' : ''}>
          {spare < 0
            ? `${clock(-spare)} too long for ${clock(slotMs)}`
            : `${clock(spare)} to spare in ${clock(slotMs)}`}
        </span>
      </p>
    </div>
  );
}
