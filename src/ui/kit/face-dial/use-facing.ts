'use client';

import { useEffect, useState } from 'react';
import { remember } from '@/browser/remember';

const KEY = 'upbeat.facing';

/**
 * Whether the face is drawn as somebody who faces you, instead of as in a mirror. It is kept in the browser, since it
 * belongs to where a screen stands.
 */
export function useFacing(): [facing: boolean, set: (facing: boolean) => void] {
  const [facing, setFacing] = useState(false);
  useEffect(() => {
    const look = () => setFacing(localStorage.getItem(KEY) === 'yes');
    look();
    // Another window of the same browser, such as the shared screen, goes along.
    window.addEventListener('storage', look);
    return () => window.removeEventListener('storage', look);
  }, []);
  const set = (next: boolean) => {
    remember(localStorage, KEY, next ? 'yes' : 'no');
    setFacing(next);
  };
  return [facing, set];
}
