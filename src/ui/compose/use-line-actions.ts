import { useCallback, useLayoutEffect, useMemo, useRef } from 'react';
import {
  addSegment,
  duplicateSegments,
  freeSegmentIds,
  phaseFor,
  placedSegments,
  removeSegments,
  segmentOf,
  shiftBlocks,
  updateSegment,
} from '@/core/class';
import type { Move } from '@/core/move';
import type { ComposeActions } from './actions';
import type { Editing } from './use-history';
import type { Selection } from './use-selection';

/** Where the screen is so wide that shelf and running order stand side by side. */
const SIDE_BY_SIDE = '(min-width: 64rem)';

export interface LineActions {
  actions: ComposeActions;
  /** Adds a move where it belongs, or after what is selected there. */
  add: (move: Move) => void;
  /** Selects segments and puts the focus on the first. */
  select: (ids: readonly string[]) => void;
}

/**
 * What lines, shelf and findings do to the class. They act on the newest state without being drawn anew
 * for it.
 */
export function useLineActions(
  { newest, edit, type, settle }: Editing,
  selection: Selection,
  record: (segmentId: string) => void,
): LineActions {
  const latest = useRef(selection);
  latest.current = selection;
  /** The segment that was added last, until it has been brought into sight. */
  const added = useRef<string | null>(null);
  const actions = useMemo((): ComposeActions => {
    const concerned = (id: string) => {
      const { ids } = latest.current;
      return ids.includes(id) ? ids : [id];
    };
    return {
      edit,
      settle,
      record,
      change: (id, change, key) => edit((p) => updateSegment(p, id, change), key),
      type: (id, change, key) => type((p) => updateSegment(p, id, change), key),
      newest: (id) => placedSegments(newest()).find((p) => p.segment.id === id)?.segment,
      open: (id) => {
        const { open, set } = latest.current;
        set(open === id ? [] : [id]);
      },
      toggle: (id) => latest.current.toggle(id),
      reach: (id) => {
        const order = placedSegments(newest()).map((p) => p.segment.id);
        latest.current.reach(id, order);
      },
      remove: (id) => {
        const ids = concerned(id);
        edit((p) => removeSegments(p, ids));
        latest.current.set([]);
      },
      shift: (id, direction) => {
        const ids = concerned(id);
        edit((p) => shiftBlocks(p, ids, direction));
      },
      duplicate: (id) => {
        const ids = concerned(id);
        edit((p) => duplicateSegments(p, ids));
      },
    };
  }, [newest, edit, type, settle, record]);

  const add = useCallback(
    (move: Move) => {
      const [now, chosen] = [newest(), latest.current];
      const [id = 's'] = freeSegmentIds(now, 1);
      const phase = phaseFor(move);
      const at = placedSegments(now).find((p) => p.segment.id === chosen.ids.at(-1));
      const index = at?.phase === phase ? now.phases[phase].indexOf(at.block) + 1 : undefined;
      edit((p) => addSegment(p, segmentOf(move, id), phase, index));
      chosen.set([id]);
      added.current = id;
    },
    [newest, edit],
  );

  // What is added is brought into sight, beside the shelf, so that it can be changed at once.
  useLayoutEffect(() => {
    const line = added.current && document.getElementById(`segment-${added.current}`);
    if (!line) return;
    added.current = null;
    if (matchMedia(SIDE_BY_SIDE).matches) line.scrollIntoView({ block: 'nearest' });
  });

  const select = useCallback((ids: readonly string[]) => {
    latest.current.set(ids);
    const [first] = ids;
    if (first) document.getElementById(`segment-${first}`)?.focus();
  }, []);
  return { actions, add, select };
}
