import { useSyncExternalStore } from 'react';

const never = () => () => {};

/** False while a page is drawn on the server and taken up by the browser, then true. */
export const useInBrowser = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
