import {
  CAUTION_NAMES,
  cautionsOf,
  type Move,
  type MoveCaution,
  RELEASE_NAMES,
  type Release,
  releaseAsMove,
} from '@/core/move';

export interface MoveCautionsProps {
  /** The move as it is done. */
  move: Move;
  /** How it is let go, where it is. */
  release: Release | undefined;
  className?: string;
}

/** Who should do a move differently, or not at all, and who must not be touched when it is let go. */
export function MoveCautions({ move, release = 'none', className = '' }: MoveCautionsProps) {
  const cautions = cautionsOf(move);
  const letting = releaseAsMove(move, release);
  // What speaks against the move as a whole speaks against its release as well, and is said once.
  const known = new Set(cautions.map((c) => c.caution));
  const atRelease = letting ? cautionsOf(letting).filter((c) => !known.has(c.caution)) : [];
  const count = cautions.length + atRelease.length;
  if (count === 0) return null;
  return (
    <details className={`border-accent mt-4 border-l-4 pl-3 text-sm ${className}`}>
      <summary className="cursor-pointer font-medium">
        Cautions for {count} {count === 1 ? 'condition' : 'conditions'}
      </summary>
      <Cautions cautions={cautions} />
      {atRelease.length > 0 && (
        <>
          <p className="mt-2 font-medium">When it is let go ({RELEASE_NAMES[release]})</p>
          <Cautions cautions={atRelease} />
        </>
      )}
    </details>
  );
}

function Cautions({ cautions }: { cautions: readonly MoveCaution[] }) {
  return (
    <ul className="mt-2 grid gap-1.5">
      {cautions.map(({ caution, words, because }) => (
        <li key={caution}>
          <span className="font-medium">With {CAUTION_NAMES[caution]}:</span> {words}{' '}
          <span className="quiet">Here {because}.</span>
        </li>
      ))}
    </ul>
  );
}
