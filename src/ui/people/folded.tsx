import type { ReactNode } from 'react';

/** Something of a page that is opened when it is wanted. */
export function Folded({
  title,
  open,
  children,
}: {
  title: string;
  open?: boolean;
  children: ReactNode;
}) {
  return (
    <details open={open}>
      <summary className="cursor-pointer text-xl font-semibold">{title}</summary>
      <div className="mt-3 grid grid-cols-1 gap-4">{children}</div>
    </details>
  );
}
