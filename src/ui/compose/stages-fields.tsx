'use client';

import { Plus, X } from 'lucide-react';
import {
  COUNTING,
  COUNTING_NAMES,
  type Counting,
  MOST_STAGES,
  type Segment,
  type Stage,
  stageLengthLabel,
  stageSchema,
  stagesOver,
  typeStageLength,
} from '@/core/class';
import { shortSeconds } from '@/core/formats';
import { QuickField } from '../kit/quick-field';
import { useComposeActions } from './actions';

export interface StagesFieldsProps {
  segment: Segment;
  onChange: (change: (segment: Segment) => Segment, key?: string) => void;
}

const LENGTH_HELP = 'Write a length such as 5 s, 5 counts, 1 breath or 2 shares.';

const withStages = (segment: Segment, stages: readonly Stage[]): Segment => {
  const { stages: _, ...rest } = segment;
  return stages.length ? { ...rest, stages: [...stages] } : rest;
};

/** What changes while a move is held, and when: a line a stage. */
export function StagesFields({ segment, onChange }: StagesFieldsProps) {
  const { settle } = useComposeActions();
  const stages = segment.stages ?? [];
  const over = stagesOver(segment.dose, stages);
  const put = (index: number, part: Partial<Stage>, key: string): string | null => {
    const parsed = stageSchema.safeParse({ ...stages[index], ...part });
    if (!parsed.success) return `This ${parsed.error.issues[0]?.message ?? 'is not right'}.`;
    onChange(
      (s) =>
        withStages(
          s,
          (s.stages ?? []).map((stage, i) => (i === index ? parsed.data : stage)),
        ),
      `${key} ${segment.id} ${index}`,
    );
    return null;
  };
  return (
    <details className="mt-3" open={stages.length > 0}>
      <summary className="cursor-pointer font-medium">Stages of the work</summary>
      {stages.length === 0 && (
        <p className="quiet mt-1 text-sm">
          What changes while it is held: settle, press in, lift. Each stage is said as it begins.
        </p>
      )}
      <ol className="mt-2 grid gap-1" aria-label="Stages">
        {stages.map((stage, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a stage is known by its place
          <li key={i} className="flex flex-wrap items-start gap-x-3 gap-y-1">
            <span className="figures quiet w-5 pt-1 text-right">{i + 1}</span>
            <span className="min-w-48 flex-1 [&_input]:w-full [&_input]:max-w-none [&>span]:w-full">
              <QuickField
                label={`Words of stage ${i + 1}`}
                value={stage.words}
                onType={(words) => put(i, { words }, 'stage')}
                onSettle={settle}
              />
            </span>
            <QuickField
              label={`Length of stage ${i + 1}`}
              value={stageLengthLabel(stage.length)}
              onType={(text) => {
                const length = typeStageLength(text);
                return length ? put(i, { length }, 'length') : LENGTH_HELP;
              }}
              onSettle={settle}
            />
            <select
              aria-label={`Counting of stage ${i + 1}`}
              className="select select-sm w-44"
              value={stage.counting ?? ''}
              onChange={(e) =>
                put(i, { counting: (e.target.value || undefined) as Counting | undefined }, 'count')
              }
            >
              <option value="">counted as usual</option>
              {COUNTING.map((way) => (
                <option key={way} value={way}>
                  {COUNTING_NAMES[way]}
                </option>
              ))}
            </select>
            <button
              type="button"
              className="btn btn-ghost btn-sm px-1.5"
              aria-label={`Remove stage ${i + 1}`}
              onClick={() =>
                onChange((s) =>
                  withStages(
                    s,
                    (s.stages ?? []).filter((_, at) => at !== i),
                  ),
                )
              }
            >
              <X size={16} aria-hidden />
            </button>
          </li>
        ))}
      </ol>
      {over > 0 && (
        <p role="alert" className="text-error mt-1 text-sm">
          The stages are {shortSeconds(over)} longer than the work. Make one shorter, give one a
          share, or make the dose longer.
        </p>
      )}
      <button
        type="button"
        className="btn btn-sm mt-1"
        disabled={stages.length >= MOST_STAGES}
        onClick={() =>
          onChange((s) =>
            withStages(s, [...(s.stages ?? []), { words: 'And now …', length: { share: 1 } }]),
          )
        }
      >
        <Plus size={16} aria-hidden /> Add a stage
      </button>
      {stages.length >= MOST_STAGES && (
        <span className="quiet ml-2 text-sm">{MOST_STAGES} stages are the most.</span>
      )}
    </details>
  );
}
