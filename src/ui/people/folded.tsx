'use client';

import { type ReactNode, useState } from 'react';

/** What its reader opens and shuts. It begins open or shut, and no answer shuts it over what is said in it. */
export function Fold({ open = false, children }: { open?: boolean; children: ReactNode }) {
  const [atFirst] = useState(open);
  return <details open={atFirst}>{children}</details>;
}

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
    <Fold open={open}>
      <summary className="cursor-pointer text-xl font-semibold">{title}</summary>
      <div className="mt-3 grid grid-cols-1 gap-4">{children}</div>
    </Fold>
  );
}
