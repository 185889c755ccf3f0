'use client';

import { useEffect, useRef } from 'react';

/** What went wrong with a press of a page, brought into sight wherever the press was. */
export function Problem({ says, className = '' }: { says: string | null; className?: string }) {
  const told = useRef<HTMLParagraphElement>(null);
  useEffect(() => {
    if (says) told.current?.scrollIntoView({ block: 'nearest' });
  }, [says]);
  return (
    <div aria-live="polite">
      {says && (
        <p ref={told} role="alert" className={`text-error font-medium ${className}`}>
          {says}
        </p>
      )}
    </div>
  );
}
