'use client';

import { useEffect } from 'react';

/** Marks the page once its script runs: before that, what is pressed would not be heard. */
export function Ready() {
  useEffect(() => {
    document.documentElement.dataset.ready = '';
  }, []);
  return null;
}
