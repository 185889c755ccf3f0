import { CAUTION_NAMES, cautionsOf, type Move } from '@/core/move';

/** Who should do a move differently, or not at all. Never a diagnosis. */
export function MoveCautions({ move, className = '' }: { move: Move; className?: string }) {
  const cautions = cautionsOf(move);
  if (cautions.length === 0) return null;
  return (
    <details className={`border-accent mt-4 border-l-4 pl-3 text-sm ${className}`}>
      <summary className="cursor-pointer font-medium">
        Cautions for {cautions.length} {cautions.length === 1 ? 'condition' : 'conditions'}
      </summary>
      <ul className="mt-2 grid gap-1.5">
        {cautions.map(({ caution, words, because }) => (
          <li key={caution}>
            <span className="font-medium">With {CAUTION_NAMES[caution]}:</span> {words}{' '}
            <span className="quiet">Here {because}.</span>
          </li>
        ))}
      </ul>
    </details>
  );
}
