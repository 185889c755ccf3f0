'use client';

import dynamic from 'next/dynamic';

/** It comes after the page, since nothing is told before somebody does something. */
const Sonner = dynamic(() => import('sonner').then(({ Toaster: T }) => T), { ssr: false });

export function Toaster() {
  return <Sonner position="bottom-center" toastOptions={{ className: 'font-sans' }} />;
}
