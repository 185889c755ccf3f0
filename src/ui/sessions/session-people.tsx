'use client';

import { ActionForm, type FormAct } from '../kit/form';
import { Select } from '../kit/form-fields';

export interface SessionPeopleProps {
  people: {
    /** In the order in which they were booked. */
    coming: { participantId: string; name: string; booked: boolean; always: boolean }[];
    away: { participantId: string; name: string }[];
  };
  others: { id: string; name: string }[];
  coming: FormAct;
}

/** Who comes to one session, who waits for room, and who said that they cannot come. */
export function SessionPeople({ people, others, coming }: SessionPeopleProps) {
  const { coming: all, away } = people;
  const waiting = all.filter((p) => !p.booked);
  const lines = (who: typeof all) =>
    who.map((p) => (
      <PersonLine
        key={p.participantId}
        {...p}
        note={p.always ? '' : 'this time only'}
        act="away"
        says="Cannot come"
      />
    ));
  return (
    <section aria-labelledby="who">
      <h2 id="who" className="mb-3 text-xl font-semibold">
        Who comes
      </h2>
      <ActionForm
        act={coming}
        submit="Book on this session"
        label="Who comes"
        below={() => (
          <>
            {all.length === 0 && <p className="quiet">Nobody is booked yet.</p>}
            <ul className="divide-base-300 divide-y">{lines(all.filter((p) => p.booked))}</ul>
            {waiting.length > 0 && (
              <>
                <h3 className="font-semibold">Waiting for room, the first in line first</h3>
                <ol className="divide-base-300 divide-y">{lines(waiting)}</ol>
              </>
            )}
            {away.length > 0 && (
              <>
                <h3 className="font-semibold">Cannot come</h3>
                <ul className="divide-base-300 divide-y">
                  {away.map((p) => (
                    <PersonLine
                      key={p.participantId}
                      {...p}
                      note=""
                      act="back"
                      says="Comes after all"
                    />
                  ))}
                </ul>
              </>
            )}
          </>
        )}
      >
        <Select
          name="person"
          label="Somebody on the register"
          options={['', ...others.map((p) => p.id)]}
          names={{ '': 'choose', ...Object.fromEntries(others.map((p) => [p.id, p.name])) }}
          initial=""
        />
      </ActionForm>
    </section>
  );
}

function PersonLine({
  participantId,
  name,
  note,
  act,
  says,
}: {
  participantId: string;
  name: string;
  note: string;
  act: 'away' | 'back';
  says: string;
}) {
  return (
    <li className="flex items-center gap-3 py-1">
      <span className="min-w-0 flex-1 truncate">
        <span className="font-medium">{name}</span> <span className="quiet">{note}</span>
      </span>
      <button
        type="submit"
        name={act}
        value={participantId}
        aria-label={`${name}: ${says.toLowerCase()}`}
        className="btn btn-ghost btn-sm"
      >
        {says}
      </button>
    </li>
  );
}
