import type { VisibilityState } from '@tanstack/react-table';
import { MenuTick } from '../kit/menu';

/** Which columns a table shows, in its menu. */
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
    <MenuTick key={id} on={shown[id] !== false} turn={(on) => choose({ ...shown, [id]: on })}>
      {name}
    </MenuTick>
  ));
}
