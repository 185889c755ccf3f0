import { ActionForm, ButtonForm, Field } from '../kit/form';
import { Select } from '../kit/form-fields';
import type { PersonScreenProps } from './person-types';

export function Bookings({ bookings, ended, pauses, bookable, today, acts }: PersonScreenProps) {
  return (
    <section aria-labelledby="bookings" className="grid gap-4">
      <h2 id="bookings" className="text-xl font-semibold">
        Booked on
      </h2>
      <ButtonForm act={acts.booking} label="Bookings and pauses">
        <ul className="divide-base-300 -my-2 divide-y">
          {bookings.map((b) => (
            <li key={b.classId} className="flex items-center gap-3 py-1.5">
              <span className="min-w-0 flex-1">
                <a href={`/people/register/${b.classId}`} className="link link-hover font-medium">
                  {b.className}
                </a>{' '}
                <span className="quiet">since {b.since}</span>
              </span>
              <button
                type="submit"
                name="end"
                value={b.classId}
                className="btn btn-ghost btn-sm"
                aria-label={`End it: ${b.className}`}
              >
                End it
              </button>
            </li>
          ))}
          {bookings.length === 0 && <li className="quiet py-1.5">Nothing at the moment.</li>}
          {pauses.map((p) => (
            <li key={p.id} className="flex items-center gap-3 py-1.5">
              <span className="min-w-0 flex-1">A pause, {p.says}</span>
              <button
                type="submit"
                name="unpause"
                value={p.id}
                className="btn btn-ghost btn-sm"
                aria-label={`Take it back: the pause, ${p.says}`}
              >
                Take it back
              </button>
            </li>
          ))}
          {ended.map((says) => (
            <li key={says} className="quiet py-1.5">
              {says}
            </li>
          ))}
        </ul>
      </ButtonForm>
      {bookable.length > 0 && (
        <ActionForm act={acts.book} submit="Book" label="Booking">
          <Select
            name="classId"
            label="Book on a class"
            options={bookable.map((c) => c.id)}
            names={Object.fromEntries(bookable.map((c) => [c.id, c.name]))}
            initial={bookable[0]?.id ?? ''}
          />
        </ActionForm>
      )}
      <details>
        <summary className="cursor-pointer font-medium">A pause for a time</summary>
        <div className="mt-3">
          <ActionForm act={acts.pause} submit="Note the pause" label="A pause">
            <p className="quiet text-sm">
              They are not expected on these days, and no streak of theirs counts or breaks.
            </p>
            <div className="grid gap-4 sm:grid-cols-2">
              <Field name="from" label="First day" type="date" initial={today} />
              <Field name="to" label="Last day" type="date" initial={today} />
            </div>
          </ActionForm>
        </div>
      </details>
    </section>
  );
}

export function Notes({ notes, acts }: PersonScreenProps) {
  return (
    <section aria-labelledby="notes">
      <h2 id="notes" className="mb-2 text-xl font-semibold">
        Notes on form
      </h2>
      {notes.length === 0 ? (
        <p className="quiet">What you correct while you lead will stand here.</p>
      ) : (
        <ButtonForm act={acts.note} label="Notes on form">
          <ul className="divide-base-300 -mt-4 divide-y">
            {notes.map((n) => (
              <li key={n.id} className="flex items-center gap-3 py-1.5">
                <span className={`min-w-0 flex-1 ${n.settled ? 'quiet' : ''}`}>
                  <span className="font-medium">{n.move}</span>: {n.note || 'corrected'}{' '}
                  <span className="quiet">
                    {n.day}
                    {n.settled && ', settled'}
                  </span>
                </span>
                <button
                  type="submit"
                  name={n.settled ? 'open' : 'settle'}
                  value={n.id}
                  className="btn btn-ghost btn-sm"
                  aria-label={`${n.settled ? 'Open again' : 'Settled'}: ${n.move}`}
                >
                  {n.settled ? 'Open again' : 'Settled'}
                </button>
              </li>
            ))}
          </ul>
        </ButtonForm>
      )}
    </section>
  );
}
