import NextLink from 'next/link';
import type { ComponentProps } from 'react';

/**
 * A link within the application. Every page is made for whoever asks at that moment, so nothing of one could be had
 * before it is asked for: asking beforehand for all that is in sight would only keep the server and the page busy.
 */
export function Link(props: ComponentProps<typeof NextLink>) {
  return <NextLink prefetch={false} {...props} />;
}
