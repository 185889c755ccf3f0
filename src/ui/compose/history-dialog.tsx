'use client';

import { useEffect, useState } from 'react';
import { ask } from '@/browser/api';
import { CALLS, type ClassVersion } from '@/core/calls';
import { differences, type Plan } from '@/core/class';
import { dayLabel, timeOfDay } from '@/core/formats';
import { Dialog } from '../kit/dialog';
import { useAttempt } from '../kit/use-attempt';

export interface HistoryDialogProps {
  classId: string;
  timeZone: string;
  nameOf: (moveId: string) => string;
  onRestore: (plan: Plan) => void;
  onClose: () => void;
}

/** As many differences are told one by one. */
const TOLD = 6;

/** The saved versions of a class, what each changed, and the way back to it. */
export function HistoryDialog({
  classId,
  timeZone,
  nameOf,
  onRestore,
  onClose,
}: HistoryDialogProps) {
  const [versions, setVersions] = useState<ClassVersion[] | null>(null);
  const { error, attempt } = useAttempt('The versions could not be read.');
  useEffect(() => {
    void attempt(async () => {
      setVersions((await ask(CALLS.classVersions, { id: classId })).versions);
    });
  }, [classId, attempt]);
  return (
    <Dialog title="Saved versions" onClose={onClose} wide>
      {error && <p role="alert">{error}</p>}
      {!error && !versions && <p role="status">Reading the versions …</p>}
      {versions?.length === 0 && (
        <p>Nothing was changed yet. Every state that is saved will stand here.</p>
      )}
      <ol className="divide-base-300 divide-y" aria-label="Versions">
        {versions?.map((v, i) => {
          const before = versions[i + 1];
          const changes = before ? differences(before.plan, v.plan) : [];
          return (
            <li key={v.version} className="flex items-start gap-4 py-3">
              <div className="w-36 shrink-0">
                <p className="figures font-semibold">{timeOfDay(v.savedAt, timeZone)}</p>
                <p className="quiet text-sm">{dayLabel(v.savedAt, timeZone)}</p>
                <p className="quiet text-sm">{v.savedBy || 'as it began'}</p>
              </div>
              <ul className="min-w-0 flex-1 text-sm">
                {changes.slice(0, TOLD).map((d) => (
                  <li key={`${d.segmentId} ${d.what}`}>
                    {d.moveId && <b>{nameOf(d.moveId)}: </b>}
                    {d.what} {d.before && <span className="quiet">{d.before} → </span>}
                    {d.after}
                  </li>
                ))}
                {changes.length > TOLD && <li>and {changes.length - TOLD} more</li>}
                {before && changes.length === 0 && <li className="quiet">Nothing differs</li>}
              </ul>
              {i > 0 && (
                <button type="button" className="btn btn-sm" onClick={() => onRestore(v.plan)}>
                  Go back to this
                </button>
              )}
            </li>
          );
        })}
      </ol>
    </Dialog>
  );
}
