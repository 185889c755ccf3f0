'use client';

import clsx from 'clsx';
import { CircleAlert, Eye, EyeOff, Info, TriangleAlert } from 'lucide-react';
import { memo, useState } from 'react';
import type { Finding, Severity } from '@/core/checks';
import { clock } from '@/core/formats';
import { GeneralCaution } from '../kit/caution';

/** A repair that was not made, by the key of its finding, and why. */
export interface Refused {
  key: string;
  why: string;
}

export interface ChecksPanelProps {
  findings: readonly Finding[];
  slotMs: number;
  selected: readonly string[];
  onSelect: (segments: readonly string[]) => void;
  onRepair: (finding: Finding) => void;
  refused: Refused | null;
  onFit: () => void;
}

const LOOKS: Record<Severity, { icon: typeof Info; border: string; name: string }> = {
  must: { icon: TriangleAlert, border: 'border-error', name: 'Must be changed' },
  should: { icon: CircleAlert, border: 'border-accent', name: 'Should be looked at' },
  may: { icon: Info, border: 'border-base-300', name: 'Good to know' },
};
/** As many stand open; the rest is one press away. */
const SHOWN = 6;

/** What a teacher should know before leading the class, with a way to put it right. */
export const ChecksPanel = memo(function ChecksPanel(props: ChecksPanelProps) {
  const { findings, selected, onSelect } = props;
  const [all, setAll] = useState(false);
  const [names, setNames] = useState(false);
  const shown = all ? findings : findings.slice(0, SHOWN);
  const anyPrivate = findings.some((f) => f.people?.length);
  return (
    <section aria-labelledby="checks" className="mt-6">
      <div className="flex items-baseline justify-between gap-2">
        <h2 id="checks" className="text-lg font-semibold">
          Before you lead it
        </h2>
        {anyPrivate && (
          <button
            type="button"
            className="btn btn-ghost btn-xs"
            aria-pressed={names}
            onClick={() => setNames(!names)}
          >
            {names ? <EyeOff size={16} aria-hidden /> : <Eye size={16} aria-hidden />}
            {names ? 'Hide names' : 'Show names'}
          </button>
        )}
      </div>
      {findings.length === 0 && (
        <p className="quiet mt-1 text-sm">Nothing to put right. Every cue has its place.</p>
      )}
      <ul className="mt-2 grid gap-2.5">
        {shown.map((finding) => {
          const look = LOOKS[finding.severity];
          const marked = finding.segments.some((id) => selected.includes(id));
          return (
            <li
              key={finding.key}
              data-check={finding.check}
              className={clsx('border-l-4 pl-3', look.border, marked && 'bg-base-200 rounded-r-lg')}
            >
              <p className="flex items-start gap-1.5 font-medium">
                <look.icon size={17} role="img" aria-label={look.name} className="mt-1 shrink-0" />
                {finding.segments.length ? (
                  <button
                    type="button"
                    className="link link-hover text-left"
                    onClick={() => onSelect(finding.segments)}
                  >
                    {finding.says}
                  </button>
                ) : (
                  <span>{finding.says}</span>
                )}
              </p>
              <p className="quiet text-sm">{finding.why}</p>
              {names && finding.people && (
                <p className="text-sm font-medium">{finding.people.join(', ')}</p>
              )}
              {finding.fit && (
                <Repair label={`Fit to ${clock(props.slotMs)}`} onClick={props.onFit} />
              )}
              {finding.repair && (
                <Repair label={finding.repair.label} onClick={() => props.onRepair(finding)} />
              )}
              {props.refused?.key === finding.key && (
                <p role="alert" className="text-sm">
                  {props.refused.why}
                </p>
              )}
            </li>
          );
        })}
      </ul>
      {findings.length > SHOWN && (
        <button type="button" className="btn btn-ghost btn-sm mt-2" onClick={() => setAll(!all)}>
          {all ? 'Show fewer' : `${findings.length - SHOWN} more`}
        </button>
      )}
      <GeneralCaution className="mt-4" />
    </section>
  );
});

function Repair({ label, onClick }: { label: string; onClick: () => void }) {
  return (
    <button
      type="button"
      className="mt-0.5 text-left text-sm font-semibold underline underline-offset-2"
      onClick={onClick}
    >
      {label}
    </button>
  );
}
