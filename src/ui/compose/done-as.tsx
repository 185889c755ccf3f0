import { OF_VARIANTS, type Segment } from '@/core/class';
import { doseIn, doseLabel, type Move } from '@/core/move';

interface DoneAsProps {
  segment: Pick<Segment, 'variant' | 'dose' | 'cues' | 'stages'>;
  move: Move;
}

/** What is done in a version that counts in another way than the dose that is asked for, and what is said in it. */
export function DoneAs({ segment: { variant, dose, cues, stages }, move }: DoneAsProps) {
  if (!variant) return null;
  const done = doseLabel(doseIn(move, variant, dose));
  const written = stages !== undefined || OF_VARIANTS.some((kind) => cues?.[kind] !== undefined);
  return (
    <>
      {done !== doseLabel(dose) && (
        <p className="quiet mt-2 text-sm">
          The {variant} version is done as {done}.
        </p>
      )}
      {written && (
        <p className="quiet mt-2 text-sm">
          What you wrote is said in the {variant} version: see whether it is true of it.
        </p>
      )}
    </>
  );
}
