import { useEffect, useState } from 'react';
import { keepAwake } from '@/browser/wake-lock';

/** Keeps the screen on while it is wanted. @returns whether it may go dark all the same */
export function useAwake(wanted: boolean): boolean {
  const [isKept, setKept] = useState(true);
  useEffect(() => (wanted ? keepAwake(setKept) : undefined), [wanted]);
  return wanted && !isKept;
}
