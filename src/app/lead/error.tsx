'use client';

import { type ErrorPageProps, FailedPage } from '@/ui/kit/failed';
import { PutUpAgain } from '@/ui/kit/put-up-again';

/** What it shows is on the device, so the server need not be there. */
export default function LeadError(props: ErrorPageProps) {
  return (
    <PutUpAgain again={props.reset}>
      <FailedPage {...props} />
    </PutUpAgain>
  );
}
