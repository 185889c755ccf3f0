import { KIND_NAMES, KINDS, type Kind } from '@/core/move';
import { KindGlyph } from './kind-glyph';

export interface KindFilterProps {
  kind: Kind | null;
  onChange: (kind: Kind | null) => void;
  size?: number;
}

/** Shows only moves of one kind; a second press takes the choice back. */
export function KindFilter({ kind, onChange, size }: KindFilterProps) {
  return (
    <fieldset className="flex flex-wrap gap-1">
      <legend className="sr-only">Only moves of a kind</legend>
      {KINDS.map((k) => (
        <button
          key={k}
          type="button"
          aria-pressed={kind === k}
          aria-label={`Only ${KIND_NAMES[k]}`}
          onClick={() => onChange(kind === k ? null : k)}
          data-tip={KIND_NAMES[k]}
          className={`tooltip tooltip-bottom rounded-lg p-0.5 ${kind === k ? 'ring-base-content ring-2' : ''}`}
        >
          <KindGlyph kind={k} size={size} />
        </button>
      ))}
    </fieldset>
  );
}
