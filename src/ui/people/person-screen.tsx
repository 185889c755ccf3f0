'use client';

import { FeedForms } from '../calendar/feed-forms';
import { Page } from '../kit/page';
import { CautionsForm } from './cautions-form';
import { CheckIns } from './check-ins';
import { Folded } from './folded';
import { Bookings, Notes } from './person-bookings';
import { Details, Leaving } from './person-leaving';
import { PracticeAtHome } from './person-practice';
import { Regularity, Sessions } from './person-regularity';
import type { PersonScreenProps } from './person-types';

/** One person: how regular they are, what to watch, what they are booked on, and all that is kept of them. */
export function PersonScreen(props: PersonScreenProps) {
  const { name, contact, joined, left } = props;
  return (
    <Page title={name}>
      <p className="quiet -mt-3 mb-6">
        On the register since {joined}
        {contact && ` · ${contact}`}
        {left && ` · left on ${left}`}
      </p>
      <div className="grid grid-cols-1 gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <div className="grid grid-cols-1 content-start gap-8">
          <Regularity {...props} />
          <Notes {...props} />
          <CheckIns {...props.checkIns} name={name} />
          <Sessions name={name} sessions={props.sessions} />
        </div>
        <div className="grid grid-cols-1 content-start gap-8">
          <Bookings {...props} />
          <PracticeAtHome {...props} />
          <CautionsForm {...props.carried} />
          <Folded title="Moves they have met">
            {props.met.length === 0 ? (
              <p className="quiet">What they do in classes will stand here.</p>
            ) : (
              <p>{props.met.join(' · ')}</p>
            )}
          </Folded>
          <Folded title="Their calendar">
            <p>
              With this address {name} can follow the sessions they are booked on in any calendar
              program, those called off and those they wait for included.
            </p>
            <FeedForms {...props.feed} />
          </Folded>
          <Details {...props} />
          <Leaving {...props} />
        </div>
      </div>
    </Page>
  );
}
