'use client';

import { Copy, Ellipsis, FolderInput } from 'lucide-react';
import { useState } from 'react';
import type { Area } from '@/core/move';
import { FaceDial } from '../kit/face-dial';
import { Link } from '../kit/link';
import { Menu, MenuEntry } from '../kit/menu';
import { Problem } from '../kit/problem';
import { SureButton } from '../kit/sure-button';
import { useCalledActs } from '../kit/use-act';
import { type CopyClass, useCopy } from './use-copy';

export interface ClassCard {
  id: string;
  name: string;
  length: string;
  slot: string;
  overruns: boolean;
  segments: number;
  fill: Partial<Record<Area, number>>;
}

/** A class that is not led any more. */
export interface ClassAway {
  id: string;
  name: string;
  /** It never met, so that nothing is lost with it but its plan. */
  removable: boolean;
}

export interface ClassListsProps {
  classes: ClassCard[];
  /** Those that were given to somebody to do at home. */
  atHome: ClassCard[];
  putAway: ClassAway[];
  copy: CopyClass;
  /** @returns what stands in the way */
  change: (asked: {
    id: string;
    does: 'putAway' | 'bringBack' | 'remove';
  }) => Promise<string | null>;
}

/** So many fit in sight. */
const FEW = 8;

/** The classes of a studio: found by name, copied, put away and brought back. */
export function ClassLists({ classes, atHome, putAway, copy, change }: ClassListsProps) {
  const { problem, tell, busy, attempt } = useCalledActs();
  const copyOf = useCopy(copy);
  const [find, setFind] = useState('');
  const [away, setAway] = useState<{ id: string; name: string } | null>(null);

  const changed = (of: { id: string; name: string }, does: 'putAway' | 'bringBack' | 'remove') =>
    attempt(async () => {
      const refused = await change({ id: of.id, does });
      if (refused) tell(refused);
      else setAway(does === 'putAway' ? of : null);
    });
  const copied = ({ id }: { id: string }) =>
    attempt(async () => {
      tell(await copyOf(id));
    });
  const wanted = find.trim().toLocaleLowerCase();
  const found = <C extends { name: string }>(all: C[]): C[] =>
    all.filter(({ name }) => name.toLocaleLowerCase().includes(wanted));
  const shown = found(classes);
  const cards = (all: ClassCard[]) => (
    <ul className="grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
      {all.map((c) => (
        <Card
          key={c.id}
          of={c}
          busy={busy}
          copy={() => void copied(c)}
          putAway={() => void changed(c, 'putAway')}
        />
      ))}
    </ul>
  );
  return (
    <>
      {classes.length + atHome.length + putAway.length > FEW && (
        <label className="mb-4 grid max-w-sm gap-1">
          <span className="text-sm font-medium">Find a class by its name</span>
          <input
            type="search"
            maxLength={80}
            value={find}
            onChange={(e) => setFind(e.target.value)}
            className="input w-full"
          />
        </label>
      )}
      <p role="status" className="my-4 empty:hidden">
        {away && (
          <>
            {away.name} is put away. What it was stays.{' '}
            <button
              type="button"
              className="link font-semibold"
              disabled={busy}
              onClick={() => void changed(away, 'bringBack')}
            >
              Undo
            </button>
          </>
        )}
        {wanted && shown.length === 0 && 'No class here has that in its name.'}
      </p>
      <Problem says={problem} className="mb-4" />
      {cards(shown)}
      {atHome.length > 0 && (
        <details className="mt-8" open={wanted !== '' && found(atHome).length > 0}>
          <summary className="cursor-pointer font-medium">To do at home ({atHome.length})</summary>
          <div className="mt-3">{cards(found(atHome))}</div>
        </details>
      )}
      {putAway.length > 0 && (
        <details className="mt-6" open={wanted !== '' && found(putAway).length > 0}>
          <summary className="cursor-pointer font-medium">Put away ({putAway.length})</summary>
          <p className="quiet mt-1 text-sm">
            They are in no list to plan or book from. Their sessions, registers and streaks stay.
          </p>
          <ul className="divide-base-300 mt-2 max-w-3xl divide-y">
            {found(putAway).map((c) => (
              <li key={c.id} className="flex flex-wrap items-center gap-2 py-2">
                <Link
                  href={`/classes/${c.id}`}
                  className="link link-hover min-w-0 flex-1 break-words"
                >
                  {c.name}
                </Link>
                <button
                  type="button"
                  className="btn btn-ghost btn-sm"
                  disabled={busy}
                  aria-label={`Bring back: ${c.name}`}
                  onClick={() => void changed(c, 'bringBack')}
                >
                  Bring back
                </button>
                {c.removable && (
                  <SureButton
                    className="btn btn-ghost btn-sm"
                    disabled={busy}
                    label={`Remove for good: ${c.name}`}
                    title={`Remove ${c.name} for good?`}
                    says="It was never led, so no register knows it. Its plan, its saved versions and its films go with it, and it cannot be brought back."
                    yes="Remove it for good"
                    onSure={() => void changed(c, 'remove')}
                  >
                    Remove for good
                  </SureButton>
                )}
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}

interface CardProps {
  of: ClassCard;
  busy: boolean;
  copy: () => void;
  putAway: () => void;
}

function Card({ of: c, busy, copy, putAway }: CardProps) {
  return (
    <li className="relative">
      <Link
        href={`/classes/${c.id}`}
        className="border-base-300 hover:bg-base-200/60 rounded-box flex h-full items-center gap-4 border p-4 pr-12"
      >
        <span className="shrink-0">
          <FaceDial size={96} fill={c.fill} />
        </span>
        <span className="min-w-0">
          <span className="font-display block text-lg leading-tight font-semibold break-words">
            {c.name}
          </span>
          <span className="figures mt-2 block text-2xl font-bold">{c.length}</span>
          <span className="quiet block text-sm">
            of {c.slot}
            {c.overruns && ', too long'} · {c.segments} segments
          </span>
        </span>
      </Link>
      <div className="absolute top-2 right-2">
        <Menu
          trigger={
            <button
              type="button"
              className="btn btn-ghost btn-sm btn-square"
              disabled={busy}
              aria-label={`More for ${c.name}`}
            >
              <Ellipsis size={18} aria-hidden />
            </button>
          }
        >
          <MenuEntry act={copy}>
            <Copy size={16} aria-hidden /> Make a copy
          </MenuEntry>
          <MenuEntry act={putAway}>
            <FolderInput size={16} aria-hidden /> Put it away
          </MenuEntry>
        </Menu>
      </div>
    </li>
  );
}
