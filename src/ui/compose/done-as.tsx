import type { Segment } from '@/core/class';
import { doseIn, doseLabel, type Move } from '@/core/move';

interface DoneAsProps {
  segment: Pick<Segment, 'variant' | 'dose'>;
  move: Move;
}

/** What is done in a version that counts in another way than the dose that is asked for. */
export function DoneAs({ segment: { variant, dose }, move }: DoneAsProps) {
  const done = doseLabel(doseIn(move, variant, dose));
  if (done === doseLabel(dose)) return null;
  return (
    <p className="quiet mt-2 text-sm">
      The {variant} version is done as {done}.
    </p>
  );
}
