'use client';

import { useDraggable } from '@dnd-kit/core';
import clsx from 'clsx';
import { Check, Plus, ScanFace, Search, X } from 'lucide-react';
import { memo, type RefObject, useMemo, useState } from 'react';
import { AREA_NAMES, type Area, KIND_NAMES, type Kind, type Move, moveText } from '@/core/move';
import { FaceDial, Miniature } from '../kit/face-dial';
import { KindFilter } from '../kit/kind-filter';
import { KindGlyph } from '../kit/kind-glyph';
import { useGrowing } from '../kit/use-growing';
import { areasOf, NO_FILTER, nearestFirst, passes } from '../moves/find';
import { dragId } from './landing';

export interface ShelfProps {
  moves: readonly Move[];
  onAdd: (move: Move) => void;
  searchRef: RefObject<HTMLInputElement | null>;
  /** Ids of the moves that the class has already. */
  inClass: ReadonlySet<string>;
}

/** More lines than a high screen has room for. */
const LINES = 20;

/** The moves a class can be built from. Enter adds the first one found. */
export const Shelf = memo(function Shelf({ moves, onAdd, searchRef, inClass }: ShelfProps) {
  const [typed, setTyped] = useState('');
  const [kind, setKind] = useState<Kind | null>(null);
  const [areas, setAreas] = useState<readonly Area[]>([]);
  const [face, setFace] = useState(false);
  const shown = useMemo(() => {
    const passing = moves.filter((move) => passes(move, { ...NO_FILTER, typed, kind, areas }));
    return nearestFirst(passing, typed, inClass);
  }, [moves, typed, kind, areas, inClass]);
  const toggle = (area: Area) =>
    setAreas((now) => (now.includes(area) ? now.filter((a) => a !== area) : [...now, area]));
  const first = shown[0];
  const grown = useGrowing(shown.length, LINES);
  return (
    <section aria-label="Moves to add" className="flex min-h-0 flex-col">
      <form
        onSubmit={(e) => {
          e.preventDefault();
          if (first) onAdd(first);
          // The next letter begins a new search.
          searchRef.current?.select();
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
            onKeyDown={(e) => {
              if (e.key !== '/') return;
              e.preventDefault();
              e.currentTarget.select();
            }}
          />
          <kbd className="kbd kbd-sm" aria-hidden>
            /
          </kbd>
        </label>
      </form>
      <div className="mt-2 flex flex-wrap items-center gap-1">
        <KindFilter kind={kind} onChange={setKind} size={25} />
        <button
          type="button"
          className="btn btn-sm btn-square"
          aria-pressed={face}
          onClick={() => setFace(!face)}
        >
          <ScanFace size={18} aria-hidden />
          <span className="sr-only">Filter by the face</span>
        </button>
      </div>
      {face && (
        <FaceDial
          size={210}
          fill={Object.fromEntries(areas.map((area) => [area, 1]))}
          onToggle={toggle}
          label="Only moves for these areas of the face"
          className="mx-auto mt-2"
        />
      )}
      {areas.length > 0 && (
        <button
          type="button"
          className="btn btn-ghost btn-sm mt-1 justify-start"
          onClick={() => setAreas([])}
        >
          <X size={16} aria-hidden /> {areas.map((a) => AREA_NAMES[a]).join(', ')}
        </button>
      )}
      <ul className="divide-base-300 relative mt-2 min-h-0 flex-1 divide-y overflow-y-auto pr-1 max-lg:max-h-[70vh]">
        {shown.slice(0, grown).map((move) => (
          <ShelfLine key={move.id} move={move} onAdd={onAdd} inClass={inClass.has(move.id)} />
        ))}
        {shown.length === 0 && (
          <li className="quiet py-4">
            No move fits. Try an area such as “jaw”, or take the kind filter off.
          </li>
        )}
      </ul>
    </section>
  );
});

/** A move of the shelf: pressed it goes where it belongs, dragged it goes where it is let go. */
function ShelfLine({
  move,
  onAdd,
  inClass,
}: {
  move: Move;
  onAdd: (move: Move) => void;
  inClass: boolean;
}) {
  const { listeners, setNodeRef, isDragging } = useDraggable({ id: dragId.move(move.id) });
  const [looked, setLooked] = useState(false);
  return (
    <li ref={setNodeRef} className={clsx('drawn-in-sight', isDragging && 'opacity-50')}>
      <button
        type="button"
        onPointerEnter={() => setLooked(true)}
        onPointerLeave={() => setLooked(false)}
        onFocus={() => setLooked(true)}
        onBlur={() => setLooked(false)}
        onPointerDown={listeners?.onPointerDown as React.PointerEventHandler | undefined}
        onClick={() => onAdd(move)}
        className="hover:bg-base-200 group flex w-full items-center gap-2.5 rounded-lg px-1 py-2 text-left"
      >
        <span className="sr-only">Add</span>
        {looked ? <Miniature move={move} size={38} /> : <KindGlyph kind={move.kind} />}
        <span className="min-w-0 flex-1">
          <span className="block leading-tight font-medium">{moveText(move).name}</span>
          <span className="quiet line-clamp-1 text-xs">
            {KIND_NAMES[move.kind]},{' '}
            {areasOf(move)
              .slice(0, 2)
              .map((a) => AREA_NAMES[a])
              .join(', ')}
          </span>
        </span>
        {inClass ? (
          <>
            <Check size={18} aria-hidden className="quiet" />
            <span className="sr-only">again, it is in the class</span>
          </>
        ) : (
          <Plus size={18} aria-hidden className="quiet group-hover:opacity-100" />
        )}
      </button>
    </li>
  );
}
