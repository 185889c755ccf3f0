import { ActionForm, type FormAct } from '../kit/form';

/** Makes and revokes the address of a feed. */
export function FeedForms({ has, make, drop }: { has: boolean; make: FormAct; drop: FormAct }) {
  return (
    <>
      <p className="quiet">
        Whoever has the address can read it. It is shown once; a new one makes the old one useless.
      </p>
      <ActionForm act={make} submit={has ? 'Make a new address' : 'Make an address'} label="Make" />
      {has && <ActionForm act={drop} submit="Revoke the address" label="Revoke" danger />}
    </>
  );
}
