import type { Insight } from '@/core/insights';

/** Bars that are drawn at most; the rows have all of them. */
const MOST_BARS = 18;
/** Names that are too long for a line under the bars stand beside them. */
const LONG = 12;

export interface Drawing {
  /** Whether the names stand beside the bars. */
  sideways: boolean;
  shown: Insight['rows'];
}

/** What of an insight is drawn, and how: known before the chart has come, so that there is room for it. */
export function drawingOf({ key, rows }: Insight): Drawing {
  const sideways = rows.some((r) => String(r.cells[0]).length > LONG);
  const isInTime = key === 'attendance' || key === 'minutes';
  return {
    sideways,
    shown: sideways && !isInTime ? rows.slice(0, MOST_BARS) : rows.slice(-MOST_BARS),
  };
}
