import type { Band } from '@/core/outline';
import { kindColour } from './kind-glyph';

/** As wide as this is an hour, in rem. */
const HOUR_REM = 14;

/** A class in small: its kinds in turn at their length, in a slot as long as it is on the calendar. */
export function SmallRibbon({ bands, slotMs }: { bands: readonly Band[]; slotMs: number }) {
  const all = bands.reduce((sum, band) => sum + band.ms, 0);
  const width = `${(HOUR_REM * Math.max(slotMs, all)) / 3_600_000}rem`;
  return (
    <div
      aria-hidden
      className="own-colours bg-base-300/60 flex h-2 max-w-full overflow-hidden rounded-sm"
      style={{ width }}
    >
      {bands.map((band, i) => (
        <span
          // biome-ignore lint/suspicious/noArrayIndexKey: bands have no other identity and never move
          key={i}
          className="border-base-100 border-r last:border-0"
          style={{
            width: `${(100 * band.ms) / Math.max(slotMs, all)}%`,
            background: kindColour(band.kind),
          }}
        />
      ))}
    </div>
  );
}
