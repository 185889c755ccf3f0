'use client';

import { Plus, Search } from 'lucide-react';
import { type RefObject, useState } from 'react';
import { AREA_NAMES, type Kind, type Move, moveText } from '@/core/move';
import { KindFilter } from '../kit/kind-filter';
import { KindGlyph } from '../kit/kind-glyph';
import { areasOf, NO_FILTER, passes } from '../moves/find';

export interface ShelfProps {
  moves: readonly Move[];
  onAdd: (move: Move) => void;
  searchRef: RefObject<HTMLInputElement | null>;
}

/** The moves a class can be built from. Enter adds the first one found. */
export function Shelf({ moves, onAdd, searchRef }: ShelfProps) {
  const [typed, setTyped] = useState('');
  const [kind, setKind] = useState<Kind | null>(null);
  const shown = moves.filter((move) => passes(move, { ...NO_FILTER, typed, kind }));
  const first = shown[0];
  return (
    <section aria-label="Moves to add" className="flex min-h-0 flex-col">
      <form
        onSubmit={(e) => {
          e.preventDefault();
          if (first) onAdd(first);
        }}
      >
        <label className="input w-full">
          <Search size={16} aria-hidden />
          <span className="sr-only">Find a move</span>
          <input
            ref={searchRef}
            type="search"
            placeholder="Find a move or an area"
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
          />
          <kbd className="kbd kbd-sm" aria-hidden>
            /
          </kbd>
        </label>
      </form>
      <div className="mt-2">
        <KindFilter kind={kind} onChange={setKind} />
      </div>
      <ul className="divide-base-300 mt-2 min-h-0 flex-1 divide-y overflow-y-auto pr-1 lg:max-h-[70vh]">
        {shown.map((move) => (
          <li key={move.id}>
            <button
              type="button"
              onClick={() => onAdd(move)}
              className="hover:bg-base-200 group flex w-full items-center gap-2.5 rounded-lg px-1 py-2 text-left"
            >
              <span className="sr-only">Add</span>
              <KindGlyph kind={move.kind} />
              <span className="min-w-0 flex-1">
                <span className="block leading-tight font-medium">{moveText(move, 'en').name}</span>
                <span className="quiet line-clamp-1 text-xs">
                  {areasOf(move)
                    .slice(0, 2)
                    .map((a) => AREA_NAMES[a])
                    .join(', ')}
                </span>
              </span>
              <Plus size={18} aria-hidden className="quiet group-hover:opacity-100" />
            </button>
          </li>
        ))}
        {shown.length === 0 && (
          <li className="quiet py-4">
            No move fits. Try an area such as “jaw”, or take the kind filter off.
          </li>
        )}
      </ul>
    </section>
  );
}
