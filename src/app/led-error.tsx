'use client';

import { PutUpAgain } from '@/ui/kit/put-up-again';
import ErrorPage, { type ErrorPageProps } from './error';

/** In the place of a page by which people are led, where it fails. */
export default function LedError(props: ErrorPageProps) {
  return (
    // What it shows is on the device, so the server need not be there.
    <PutUpAgain again={props.reset}>
      <ErrorPage {...props} />
    </PutUpAgain>
  );
}
