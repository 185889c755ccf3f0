import type { Block } from '../class';
import { doseLabel, SIDES_NAMES } from '../move';
import { doseOn, type Turn } from '../score';

/** Labels in a row, each with how often it comes: "30 s hold × 2, then 20 s hold". */
function inRow(labels: readonly string[]): string {
  const groups: { label: string; times: number }[] = [];
  for (const label of labels) {
    const last = groups.at(-1);
    if (last?.label === label) last.times++;
    else groups.push({ label, times: 1 });
  }
  return groups
    .map(({ label, times }) => (times > 1 ? `${label} × ${times}` : label))
    .join(', then ');
}

/**
 * How much is done of a segment, in a teacher's short form: as the version counts that is done, round by round where
 * they differ, how often and on which sides.
 * @param turn its first
 */
export function amountDone(turn: Turn, { order, laps }: Pick<Block, 'order' | 'laps'>): string {
  const { doses, shared, segment } = turn;
  const { rounds, uneven } = segment;
  const labels = doses.map(doseLabel);
  const alike = new Set(labels).size === 1;
  return [
    // Where rounds differ all of them are told, those of every lap.
    alike ? inRow(labels.slice(0, rounds)) : inRow(labels),
    ...(order === 'circuit' && alike ? [`${laps} laps`] : []),
    ...(order === 'alternating' ? ['in turn'] : []),
    ...(shared === 'together' ? [] : [SIDES_NAMES[shared]]),
    ...(uneven && shared === 'each'
      ? [`${uneven.side} ${doseLabel(doseOn(turn, uneven.side))}`]
      : []),
  ].join(', ');
}
