'use client';

import { Plus, X } from 'lucide-react';
import { arrangeBlock, type Block, blockSchema, type Plan } from '@/core/class';
import { moveText } from '@/core/move';
import { useMoves } from '../kit/moves';
import { QuickField } from '../kit/quick-field';
import { Tick } from './tick';

export interface GroupFieldsProps {
  block: Block;
  edit: (change: (plan: Plan) => Plan, key?: string) => void;
  settle: () => void;
}

const LEAST_TIMES = 2;

/** What a group says by itself, whether it is one flow, and which of its moves are done several times over. */
export function GroupFields({ block, edit, settle }: GroupFieldsProps) {
  const moves = useMoves();
  const loops = block.loops ?? [];
  const arrange = (part: Partial<Block>, key?: string): string | null => {
    const parsed = blockSchema.safeParse({ ...block, ...part });
    if (!parsed.success) return `This ${parsed.error.issues[0]?.message ?? 'is not right'}.`;
    edit((p) => arrangeBlock(p, block.id, part), key && `${key} ${block.id}`);
    return null;
  };
  const nameOf = (id: string) => {
    const move = moves.get(block.segments.find((s) => s.id === id)?.move ?? '');
    return move ? moveText(move).name : id;
  };
  const put = (index: number, part: Partial<(typeof loops)[number]>, key?: string) =>
    arrange({ loops: loops.map((l, i) => (i === index ? { ...l, ...part } : l)) }, key);
  const ends = (index: number, end: 'from' | 'to') => (
    <select
      aria-label={end === 'from' ? `Loop ${index + 1} from` : `Loop ${index + 1} to`}
      className="select select-sm w-52"
      value={loops[index]?.[end]}
      onChange={(e) => put(index, { [end]: e.target.value })}
    >
      {block.segments.map(({ id }) => (
        <option key={id} value={id}>
          {nameOf(id)}
        </option>
      ))}
    </select>
  );
  const [first, last] = [block.segments[0], block.segments.at(-1)];
  return (
    <div className="mb-2 grid gap-1.5 px-2 text-sm">
      <div className="flex flex-wrap items-start gap-x-3 gap-y-1">
        <span className="min-w-64 flex-1 [&_input]:w-full [&_input]:max-w-none [&>span]:w-full">
          <QuickField
            label="Opening sentence of the group"
            placeholder="An opening sentence, such as: ten, five and five for the eyes."
            value={block.opening ?? ''}
            onType={(text) => arrange({ opening: text.trim() || undefined }, 'opening')}
            onSettle={settle}
          />
        </span>
        <Tick
          label="One flow: announced and counted in once"
          checked={block.flow ?? false}
          onChange={(flow) => arrange({ flow: flow || undefined })}
        />
      </div>
      {loops.map((loop, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a loop is known by its place
        <div key={i} className="flex flex-wrap items-center gap-x-2 gap-y-1">
          From {ends(i, 'from')} to {ends(i, 'to')}
          <QuickField
            label={`How often loop ${i + 1} is done`}
            value={`${loop.times} times`}
            onType={(text) => put(i, { times: Number.parseInt(text, 10) || 0 }, 'loop')}
            onSettle={settle}
          />
          <button
            type="button"
            className="btn btn-ghost btn-sm px-1.5"
            aria-label={`Remove loop ${i + 1}`}
            onClick={() => arrange({ loops: loops.filter((_, at) => at !== i) })}
          >
            <X size={16} aria-hidden />
          </button>
        </div>
      ))}
      {block.order === 'straight' && first && last && loops.length < 3 && (
        <button
          type="button"
          className="btn btn-ghost btn-sm justify-self-start"
          onClick={() =>
            arrange({ loops: [...loops, { from: first.id, to: last.id, times: LEAST_TIMES }] })
          }
        >
          <Plus size={16} aria-hidden /> Do a part of it several times
        </button>
      )}
    </div>
  );
}
