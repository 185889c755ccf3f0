import { createContext, useContext } from 'react';
import type { Plan, Segment } from '@/core/class';

/** What the lines of the running order can do; the same object throughout a visit, so that they stay still. */
export interface ComposeActions {
  edit: (change: (plan: Plan) => Plan, key?: string) => void;
  change: (segmentId: string, change: (segment: Segment) => Segment, key?: string) => void;
  /** Changes a segment by what is typed into a field that shows it by itself. */
  type: (segmentId: string, change: (segment: Segment) => Segment, key: string) => void;
  /** A segment as it is by now, also before it is drawn; undefined where it is gone. */
  newest: (segmentId: string) => Segment | undefined;
  settle: () => void;
  /** Opens a segment, or closes it where it is open. */
  open: (segmentId: string) => void;
  /** Adds a segment to the selection or takes it out. */
  toggle: (segmentId: string) => void;
  /** Selects everything from the last selected one to this. */
  reach: (segmentId: string) => void;
  /** Acts on the selection where the segment is part of it, else on the segment alone. */
  remove: (segmentId: string) => void;
  shift: (segmentId: string, direction: -1 | 1) => void;
  duplicate: (segmentId: string) => void;
  /** Opens the recorder with the cues of a segment. */
  record: (segmentId: string) => void;
}

const Context = createContext<ComposeActions | null>(null);
export const ComposeActionsProvider = Context.Provider;

export function useComposeActions(): ComposeActions {
  const actions = useContext(Context);
  if (!actions) throw new Error('a segment is shown outside of Compose');
  return actions;
}
