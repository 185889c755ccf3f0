import { useMemo } from 'react';
import { differences, type Plan } from '@/core/class';
import { useMoment } from './use-moment';

const NONE: ReadonlySet<string> = new Set();

/** Ids of the segments that the last edit changed, for the moment in which that is worth marking. */
export function useChanged(plan: Plan): ReadonlySet<string> {
  const moment = useMoment(plan);
  return useMemo(() => {
    if (!moment) return NONE;
    return new Set(differences(moment.before, plan).flatMap((d) => d.segmentId ?? []));
  }, [moment, plan]);
}
