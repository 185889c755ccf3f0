import { useEffect } from 'react';

/**
 * A screen that takes the place of another on the same page begins at its top: whoever pushed the page on to press
 * what is at its end would see the end of what comes.
 */
export function useFromTop(): void {
  useEffect(() => window.scrollTo(0, 0), []);
}
