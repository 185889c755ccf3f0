'use client';

import { useLoaded } from './use-loaded';

const load = () => import('sonner').then(({ Toaster: T }) => ({ default: T }));

/** It comes after the page, since nothing is told before somebody does something. */
export function Toaster() {
  const Sonner = useLoaded(load);
  return Sonner && <Sonner position="bottom-center" toastOptions={{ className: 'font-sans' }} />;
}
