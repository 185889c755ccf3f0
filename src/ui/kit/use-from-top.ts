import { useEffect } from 'react';

/**
 * A screen that takes the place of another on the same page begins at its top: whoever pushed the page on to press
 * what is at its end would see the end of what comes.
 */
export function useFromTop(): void {
  useEffect(() => {
    // Some browsers answer with a promise, which is not to be taken for what tidies up.
    window.scrollTo(0, 0);
  }, []);
}
