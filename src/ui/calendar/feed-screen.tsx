import type { FormAct } from '../kit/form';
import { Page } from '../kit/page';
import { FeedForms } from './feed-forms';

/** The address by which a calendar program follows what a teacher leads. */
export function FeedScreen({ has, make, drop }: { has: boolean; make: FormAct; drop: FormAct }) {
  return (
    <Page title="Feed for your calendar">
      <div className="grid max-w-2xl gap-5">
        <p>
          Any calendar program can follow your sessions by an address: those you lead and those
          nobody is named for. It shows times, classes and places, and nothing of the people.
        </p>
        <FeedForms has={has} make={make} drop={drop} />
      </div>
    </Page>
  );
}
