import { useEffect, useState } from 'react';

const REDUCED = '(prefers-reduced-motion: reduce)';

/** Whether somebody wants no movement: then what moves changes in steps, or is not there. */
export function useReducedMotion(): boolean {
  const [reduced, setReduced] = useState(false);
  useEffect(() => {
    const asked = matchMedia(REDUCED);
    const look = () => setReduced(asked.matches);
    look();
    asked.addEventListener('change', look);
    return () => asked.removeEventListener('change', look);
  }, []);
  return reduced;
}
