import type { ReactNode } from 'react';
import type { Language } from '@/core/language';
import { Logo } from '../kit/logo';

/** The frame of a page for somebody who is not signed in. */
export function Door({
  title,
  language,
  children,
}: {
  title: string;
  /** Of what stands on it, where that may be another than the application's. */
  language?: Language;
  children: ReactNode;
}) {
  return (
    <main lang={language} className="mx-auto grid min-h-dvh max-w-lg content-center p-6">
      <p className="font-display flex items-center gap-2 text-2xl font-bold">
        <Logo size={36} /> Up Beat
      </p>
      <h1 className="mt-6 mb-4 text-3xl font-bold">{title}</h1>
      {children}
    </main>
  );
}
