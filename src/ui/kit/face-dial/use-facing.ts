import { useEffect, useState } from 'react';

const KEY = 'upbeat.facing';

/**
 * Whether the face is drawn as somebody who faces you, instead of as in a mirror. It is kept in the browser, since it
 * belongs to where a screen stands.
 */
export function useFacing(): [facing: boolean, set: (facing: boolean) => void] {
  const [facing, setFacing] = useState(false);
  useEffect(() => setFacing(localStorage.getItem(KEY) === 'yes'), []);
  const set = (next: boolean) => {
    localStorage.setItem(KEY, next ? 'yes' : 'no');
    setFacing(next);
  };
  return [facing, set];
}
