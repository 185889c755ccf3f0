import { ActionForm, type FormAct } from '../kit/form';
import { Page } from '../kit/page';

/** The address by which a calendar program follows what a teacher leads. */
export function FeedScreen({ has, make, drop }: { has: boolean; make: FormAct; drop: FormAct }) {
  return (
    <Page title="Feed for your calendar">
      <div className="grid max-w-2xl gap-5">
        <p>
          Any calendar program can follow your sessions by an address: those you lead and those
          nobody is named for. It shows times, classes and places, and nothing of the people.
        </p>
        <p className="quiet">
          Whoever has the address can read it. It is shown once; a new one makes the old one
          useless.
        </p>
        <ActionForm
          act={make}
          submit={has ? 'Make a new address' : 'Make an address'}
          label="Make"
        />
        {has && <ActionForm act={drop} submit="Revoke the address" label="Revoke" danger />}
      </div>
    </Page>
  );
}
