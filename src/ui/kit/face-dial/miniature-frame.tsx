import type { ReactNode } from 'react';
import { VIEW_BOX } from '@/core/face/still';

/** What a miniature of a move stands in. @param size height in px */
export function MiniatureFrame({ size, children }: { size: number; children: ReactNode }) {
  return (
    <svg
      viewBox={VIEW_BOX}
      height={size}
      width={size * 0.8}
      aria-hidden
      className="face shrink-0"
      fill="none"
      stroke="currentColor"
      strokeLinecap="round"
      strokeLinejoin="round"
    >
      {children}
    </svg>
  );
}
