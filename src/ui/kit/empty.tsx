import type { ReactNode } from 'react';

/** An empty place says what will stand there and offers the first step. */
export function Empty({ title, children }: { title: string; children: ReactNode }) {
  return (
    <div className="border-base-300 rounded-box border border-dashed p-8 text-center">
      <p className="font-display text-lg font-semibold">{title}</p>
      <div className="quiet mt-1">{children}</div>
    </div>
  );
}
