'use client';

import clsx from 'clsx';
import { ChevronDown, Sparkles } from 'lucide-react';
import { memo, useState } from 'react';
import type { Plan } from '@/core/class';
import { aimInWords } from './aim-words';
import { RulesFields } from './rules-fields';

export interface AimPanelProps {
  plan: Plan;
  edit: (change: (plan: Plan) => Plan, key?: string) => void;
  settle: () => void;
  /** A class that is still empty begins with what it is for. */
  empty: boolean;
  onDraft: () => void;
}

/** What a class is for and how it is led: one line in words, which opens in its place. */
export const AimPanel = memo(function AimPanel(props: AimPanelProps) {
  const { plan, edit, settle, empty, onDraft } = props;
  /** Null until somebody chose: open for an empty class, closed for any other. */
  const [chosen, setChosen] = useState<boolean | null>(null);
  const open = chosen ?? empty;
  return (
    <section aria-label="Aim and house rules" className="mt-1">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <button
          type="button"
          aria-expanded={open}
          onClick={() => setChosen(!open)}
          className="hover:bg-base-200 -mx-2 flex min-h-8 max-w-full items-center gap-2 rounded-lg px-2 py-1 text-left text-sm"
        >
          <span className="sr-only">Aim and house rules: </span>
          <span className="quiet">{aimInWords(plan)}</span>
          <ChevronDown size={16} aria-hidden className={clsx('shrink-0', open && 'rotate-180')} />
        </button>
        {empty && (
          <button type="button" className="btn btn-outline btn-sm" onClick={onDraft}>
            <Sparkles size={16} aria-hidden /> Draft a class for me
          </button>
        )}
      </div>
      {open && (
        <div className="border-base-300 rounded-box mt-2 border p-4">
          <RulesFields plan={plan} edit={edit} settle={settle} />
        </div>
      )}
    </section>
  );
}, sameSettings);

/** Segments are no business of the rules, so that their edits leave this panel as it is. */
function sameSettings(a: AimPanelProps, b: AimPanelProps): boolean {
  const fields = ['rules', 'aim', 'kit', 'language', 'second'] as const;
  return (
    fields.every((field) => a.plan[field] === b.plan[field]) &&
    a.edit === b.edit &&
    a.settle === b.settle &&
    a.empty === b.empty &&
    a.onDraft === b.onDraft
  );
}
