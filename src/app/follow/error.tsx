'use client';

import type { ErrorPageProps } from '@/ui/kit/failed';
import { FailedForPeople } from '@/ui/kit/failed-for-people';
import { PutUpAgain } from '@/ui/kit/put-up-again';

/** What it shows is on the device, so the server need not be there. */
export default function FollowError(props: ErrorPageProps) {
  return (
    <PutUpAgain again={props.reset}>
      <FailedForPeople {...props} />
    </PutUpAgain>
  );
}
