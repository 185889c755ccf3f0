import { useCallback, useMemo, useState } from 'react';

export interface Selection {
  /** Ids of the selected segments, the last selected one last. */
  ids: readonly string[];
  /** The one segment that is selected alone and so stands open. */
  open: string | null;
  set: (ids: readonly string[]) => void;
  toggle: (id: string) => void;
  /** Selects everything between the last selected segment and another, in running order. */
  reach: (id: string, order: readonly string[]) => void;
}

/**
 * Which segments are selected: one that stands open, or several to be changed together.
 * @param first those that are selected when the page opens
 */
export function useSelection(first: readonly string[] = []): Selection {
  const [ids, set] = useState(first);
  const toggle = useCallback(
    (id: string) => set((now) => (now.includes(id) ? now.filter((i) => i !== id) : [...now, id])),
    [],
  );
  const reach = useCallback((id: string, order: readonly string[]) => {
    set((now) => {
      const anchor = now[0] ?? id;
      const [from, to] = [order.indexOf(anchor), order.indexOf(id)].sort((a, b) => a - b);
      const between = order.slice(from, (to ?? 0) + 1);
      // The anchor stays first, so that the next reach starts from it again.
      return [anchor, ...between.filter((i) => i !== anchor)];
    });
  }, []);
  return useMemo(
    () => ({ ids, open: ids.length === 1 ? (ids[0] ?? null) : null, set, toggle, reach }),
    [ids, toggle, reach],
  );
}
