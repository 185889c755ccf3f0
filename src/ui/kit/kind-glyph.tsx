import { CircleDot, Hand, type LucideIcon, MoveHorizontal, Smile, Sun, Wind } from 'lucide-react';
import { KIND_NAMES, type Kind } from '@/core/move';

const GLYPHS: Record<Kind, LucideIcon> = {
  warmup: Sun,
  exercise: Smile,
  massage: Hand,
  point: CircleDot,
  stretch: MoveHorizontal,
  breath: Wind,
};

export const kindColour = (kind: Kind): string => `var(--kind-${kind})`;
export const paleColour = (kind: Kind): string => `var(--kind-${kind}-pale)`;
export const kindInk = (kind: Kind): string => `var(--kind-${kind}-ink)`;

/** The sign of a kind of move: its colour and, for those who do not see colours, its own glyph. */
export function KindGlyph({ kind, size = 30 }: { kind: Kind; size?: number }) {
  const Glyph = GLYPHS[kind];
  return (
    <span
      role="img"
      aria-label={KIND_NAMES[kind]}
      title={KIND_NAMES[kind]}
      className="inline-grid shrink-0 place-items-center rounded-lg"
      style={{ width: size, height: size, background: kindColour(kind), color: kindInk(kind) }}
    >
      <Glyph aria-hidden size={size * 0.58} strokeWidth={2.2} />
    </span>
  );
}
