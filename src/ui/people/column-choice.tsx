import { CheckboxItem, ItemIndicator } from '@radix-ui/react-dropdown-menu';
import type { VisibilityState } from '@tanstack/react-table';
import { Check } from 'lucide-react';

/** Which columns a table shows, in a menu that stays open while one chooses. */
export function ColumnChoice({
  columns,
  shown,
  choose,
}: {
  columns: readonly (readonly [id: string, name: string])[];
  shown: VisibilityState;
  choose: (shown: VisibilityState) => void;
}) {
  return columns.map(([id, name]) => (
    <CheckboxItem
      key={id}
      checked={shown[id] !== false}
      onCheckedChange={(on) => choose({ ...shown, [id]: on })}
      onSelect={(event) => event.preventDefault()}
      className="data-highlighted:bg-base-200 flex h-9 w-full cursor-pointer items-center gap-2 rounded-lg px-3 text-sm"
    >
      <span className="grid size-4 place-items-center">
        <ItemIndicator>
          <Check size={16} aria-hidden />
        </ItemIndicator>
      </span>
      {name}
    </CheckboxItem>
  ));
}
