export interface QrCodeProps {
  /** How many squares a side, and the dark ones as an SVG path of squares. */
  size: number;
  path: string;
  label: string;
  className?: string;
}

/** Squares of white round it, so that cameras find it (ISO/IEC 18004 asks for four). */
const MARGIN = 4;

/** A QR code, dark on white in both themes, since some cameras read it in no other way. */
export function QrCode({ size, path, label, className }: QrCodeProps) {
  const all = size + 2 * MARGIN;
  return (
    <svg viewBox={`0 0 ${all} ${all}`} className={className} role="img" aria-label={label}>
      <rect width={all} height={all} fill="#ffffff" rx={2} />
      <path
        d={path}
        transform={`translate(${MARGIN} ${MARGIN})`}
        fill="#000000"
        shapeRendering="crispEdges"
      />
    </svg>
  );
}
