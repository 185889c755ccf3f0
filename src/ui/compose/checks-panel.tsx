'use client';

import clsx from 'clsx';
import { CircleAlert, Eye, EyeOff, Info, TriangleAlert } from 'lucide-react';
import { memo, useState } from 'react';
import { SEVERITIES, type Severity, type ToldFinding } from '@/core/checks';
import { clock } from '@/core/formats';
import { GeneralCaution } from '../kit/caution';
import type { Findings } from './use-findings';

/** A repair that was not made, by the key of its finding, and why. */
export interface Refused {
  key: string;
  why: string;
}

export interface ChecksPanelProps {
  /** Null until the class was looked at. */
  findings: Findings;
  /** There is something to judge. */
  begun: boolean;
  slotMs: number;
  selected: readonly string[];
  onSelect: (segments: readonly string[]) => void;
  onRepair: (finding: ToldFinding) => void;
  refused: Refused | null;
  onFit: () => void;
}

const SIGNS: Record<Severity, { icon: typeof Info; border: string; name: string }> = {
  must: { icon: TriangleAlert, border: 'border-error', name: 'Change these' },
  should: { icon: CircleAlert, border: 'border-accent', name: 'Look at these' },
  may: { icon: Info, border: 'border-base-300', name: 'Good to know' },
};
/** How many findings of a group are shown before one asks for more. What must be changed is always shown. */
const SHOWN = 4;

/** How much is left to do, in a few words. */
function leftToDo({ findings, begun }: Pick<ChecksPanelProps, 'findings' | 'begun'>): string {
  if (!findings) return 'The class is being looked at …';
  const of = (severity: Severity) => findings.filter((f) => f.severity === severity).length;
  const parts = [
    of('must') && `${of('must')} to change`,
    of('should') && `${of('should')} to look at`,
    of('may') && `${of('may')} good to know`,
  ].filter((part) => part !== 0);
  if (parts.length) return `${parts.join(', ')}.`;
  return begun
    ? 'Nothing to put right. Every cue has its place.'
    : 'The checks begin with your first exercise or massage.';
}

/** What a teacher should know before leading the class, with a way to put it right. */
export const ChecksPanel = memo(function ChecksPanel(props: ChecksPanelProps) {
  const findings = props.findings ?? [];
  const [unfolded, setUnfolded] = useState<readonly Severity[]>([]);
  const [names, setNames] = useState(false);
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
      <p role="status" className="quiet mt-1 text-sm">
        {leftToDo(props)}
      </p>
      {SEVERITIES.map((severity) => {
        const group = findings.filter((f) => f.severity === severity);
        if (group.length === 0) return null;
        const whole = severity === 'must' || unfolded.includes(severity);
        return (
          <div key={severity} className="mt-3">
            <h3 className="text-sm font-semibold">{SIGNS[severity].name}</h3>
            <ul className="mt-1.5 grid gap-2.5">
              {group.slice(0, whole ? undefined : SHOWN).map((finding) => (
                <Found key={finding.key} {...props} finding={finding} names={names} />
              ))}
            </ul>
            {severity !== 'must' && group.length > SHOWN && (
              <button
                type="button"
                className="btn btn-ghost btn-sm mt-2"
                onClick={() =>
                  setUnfolded(
                    whole ? unfolded.filter((s) => s !== severity) : [...unfolded, severity],
                  )
                }
              >
                {whole ? 'Show fewer' : `${group.length - SHOWN} more`}
              </button>
            )}
          </div>
        );
      })}
      <GeneralCaution className="mt-4" />
    </section>
  );
});

interface FoundProps extends Omit<ChecksPanelProps, 'findings' | 'begun'> {
  finding: ToldFinding;
  /** Names that only the teacher should see are shown. */
  names: boolean;
}

/** One thing found, and what can be done about it. */
function Found({
  finding,
  names,
  selected,
  onSelect,
  onFit,
  onRepair,
  slotMs,
  refused,
}: FoundProps) {
  const sign = SIGNS[finding.severity];
  const marked = finding.segments.some((id) => selected.includes(id));
  return (
    <li
      data-check={finding.check}
      className={clsx('border-l-4 pl-3', sign.border, marked && 'bg-base-200 rounded-r-lg')}
    >
      <p className="flex items-start gap-1.5 font-medium">
        <sign.icon size={17} aria-hidden className="mt-1 shrink-0" />
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
      {finding.fit && <Repair label={`Fit to ${clock(slotMs)}`} onClick={onFit} />}
      {finding.repair && <Repair label={finding.repair.label} onClick={() => onRepair(finding)} />}
      {refused?.key === finding.key && (
        <p role="alert" className="text-sm">
          {refused.why}
        </p>
      )}
    </li>
  );
}

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
