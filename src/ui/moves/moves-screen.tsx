'use client';

import { Plus, Search, X } from 'lucide-react';
import { useState } from 'react';
import { MAIN_LANGUAGE } from '@/core/language';
import { AREA_NAMES, type Area, PURPOSE_NAMES, PURPOSES, type Purpose } from '@/core/move';
import { Empty } from '../kit/empty';
import { FaceDial } from '../kit/face-dial/face-dial';
import { MiniatureFrame } from '../kit/face-dial/miniature-frame';
import { KindFilter } from '../kit/kind-filter';
import { KindGlyph } from '../kit/kind-glyph';
import { Link } from '../kit/link';
import { Page } from '../kit/page';
import { areasOf, type Filter, type ListedMove, NEEDS, type Need, NO_FILTER, passes } from './find';

export interface MovesScreenProps {
  moves: ListedMove[];
  /** Where the miniatures of the library's moves are, and those of the studio's own. */
  miniatures: { library: string; own: string };
}

/** Every move there is, found by typing, by kind, purpose and need, and by clicking on the face. */
export function MovesScreen({ moves, miniatures }: MovesScreenProps) {
  const [filter, setFilter] = useState<Filter>(NO_FILTER);
  const shown = moves.filter((move) => passes(move, filter));
  const change = (part: Partial<Filter>) => setFilter((f) => ({ ...f, ...part }));
  const toggle = (area: Area) =>
    setFilter((f) => ({
      ...f,
      areas: f.areas.includes(area) ? f.areas.filter((a) => a !== area) : [...f.areas, area],
    }));
  return (
    <Page
      title="Moves"
      actions={
        <Link href="/moves/new" className="btn btn-primary">
          <Plus size={18} aria-hidden /> A move of your own
        </Link>
      }
    >
      <div className="grid grid-cols-[minmax(0,1fr)] gap-6 md:grid-cols-[17rem_minmax(0,1fr)]">
        <section aria-label="Find" className="md:sticky md:top-4 md:self-start">
          <label className="input w-full">
            <Search size={16} aria-hidden />
            <span className="sr-only">Find a move</span>
            <input
              type="search"
              placeholder="Name, muscle or area"
              value={filter.typed}
              onChange={(e) => change({ typed: e.target.value })}
            />
          </label>
          <div className="mt-3">
            <KindFilter kind={filter.kind} onChange={(kind) => change({ kind })} size={34} />
          </div>
          <FaceDial
            size={300}
            fill={Object.fromEntries(filter.areas.map((area) => [area, 1]))}
            onToggle={toggle}
            label="Choose areas of the face"
            className="mx-auto mt-3 max-w-full"
          />
          <div className="mt-3 grid grid-cols-2 gap-2">
            <label className="grid gap-1">
              <span className="text-sm font-medium">Purpose</span>
              <select
                className="select w-full"
                value={filter.purpose ?? ''}
                onChange={(e) => change({ purpose: (e.target.value || null) as Purpose | null })}
              >
                <option value="">any</option>
                {PURPOSES.map((p) => (
                  <option key={p} value={p}>
                    {PURPOSE_NAMES[p]}
                  </option>
                ))}
              </select>
            </label>
            <label className="grid gap-1">
              <span className="text-sm font-medium">With</span>
              <select
                className="select w-full"
                value={filter.need ?? ''}
                onChange={(e) => change({ need: (e.target.value || null) as Need | null })}
              >
                <option value="">anything</option>
                {Object.entries(NEEDS).map(([need, name]) => (
                  <option key={need} value={need}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
          </div>
        </section>
        <section aria-label="Moves found">
          <div className="mb-2 flex min-h-8 flex-wrap items-center gap-2">
            <p role="status" className="quiet">
              {shown.length} of {moves.length} moves
            </p>
            {filter !== NO_FILTER && (
              <button
                type="button"
                className="btn btn-sm btn-ghost"
                onClick={() => setFilter(NO_FILTER)}
              >
                <X size={16} aria-hidden /> Show all
              </button>
            )}
          </div>
          {shown.length === 0 ? (
            <Empty title="No move fits all of that">
              <p>Take one of the choices off, or write a move of your own.</p>
            </Empty>
          ) : (
            <ul className="grid grid-cols-[minmax(0,1fr)] gap-2 xl:grid-cols-2">
              {shown.map((move) => (
                <li key={move.id} className="drawn-when-seen">
                  <MoveLine
                    move={move}
                    miniature={`${move.own ? miniatures.own : miniatures.library}#${move.id}`}
                  />
                </li>
              ))}
            </ul>
          )}
        </section>
      </div>
    </Page>
  );
}

function MoveLine({ move, miniature }: { move: ListedMove; miniature: string }) {
  return (
    <Link
      href={`/moves/${move.id}`}
      className="border-base-300 hover:bg-base-200/60 rounded-box flex h-full items-center gap-3 border p-2.5"
    >
      <KindGlyph kind={move.kind} size={36} />
      <MiniatureFrame size={56}>
        <use href={miniature} />
      </MiniatureFrame>
      <span className="min-w-0 flex-1">
        <span className="block leading-tight font-semibold">
          {move.text[MAIN_LANGUAGE]?.name}
          {move.own && <span className="text-secondary ml-2 text-sm font-medium">your own</span>}
        </span>
        <span className="quiet line-clamp-1 text-sm">
          {areasOf(move)
            .slice(0, 3)
            .map((area) => AREA_NAMES[area])
            .join(', ')}
        </span>
      </span>
      <span className="quiet text-right text-sm max-sm:max-w-20 sm:whitespace-nowrap">
        {move.dose}
      </span>
    </Link>
  );
}
