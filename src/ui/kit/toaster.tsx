'use client';

import { useEffect } from 'react';
import { NOT_FETCHED, usePart } from './use-part';

const load = () => import('sonner');

/** It comes after the page, since nothing is told before somebody does something. A page without it is still a page. */
export function Toaster() {
  const { part, failed, fetchPart } = usePart(load);
  useEffect(() => void fetchPart(), [fetchPart]);
  if (part) {
    return <part.Toaster position="bottom-center" toastOptions={{ className: 'font-sans' }} />;
  }
  if (!failed) return null;
  return (
    <p
      role="alert"
      className="no-print bg-base-100 text-error border-base-300 rounded-box fixed bottom-4 left-1/2 z-50 w-max max-w-[calc(100vw-2rem)] -translate-x-1/2 border p-3 shadow-lg"
    >
      A small part of the page is missing. {NOT_FETCHED}
    </p>
  );
}
