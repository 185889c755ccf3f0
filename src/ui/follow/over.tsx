import type { ReactNode } from 'react';

interface OverProps {
  says: string;
  then?: string;
  link?: string;
  children?: ReactNode;
}

/** The end of following, however it came. */
export function Over({ says, then, link, children }: OverProps) {
  return (
    <div className="mx-auto grid min-h-dvh max-w-lg content-center gap-4 p-6 text-center">
      <p className="text-3xl font-bold text-balance">{says}</p>
      {then && <p className="quiet text-lg">{then}</p>}
      {link && (
        <a href="/follow" className="btn btn-primary upbeat-on-accent h-14 justify-self-center">
          {link}
        </a>
      )}
      {children}
    </div>
  );
}
