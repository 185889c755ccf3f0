import { dateLabel } from '@/core/formats';
import { ActionForm, Field, type FormAct } from '../kit/form';
import { Link } from '../kit/link';
import { Page } from '../kit/page';
import { PressForm } from '../kit/press-form';

export interface ClosedScreenProps {
  closures: { id: string; from: string; to: string; name: string }[];
  today: string;
  most: number;
  close: FormAct;
  reopen: (form: FormData) => Promise<string>;
}

/** Days on which nothing meets. */
export function ClosedScreen({ closures, today, most, close, reopen }: ClosedScreenProps) {
  return (
    <Page title="Closed days">
      <p className="quiet mb-5 max-w-2xl">
        What is planned in closed days is cancelled, now and when a series is planned later. It
        neither keeps a streak nor breaks one. Whoever is booked and has given an email gets a
        letter, and another where days are opened again. {most} spans at most.{' '}
        <Link href="/calendar/bring" className="link">
          Bring holidays in from a file
        </Link>
        .
      </p>
      <div className="grid gap-8 md:grid-cols-[minmax(0,1fr)_20rem]">
        {closures.length === 0 ? (
          <p className="quiet">
            No closed days yet. Holidays and days without the hall will stand here.
          </p>
        ) : (
          <ul className="divide-base-300 border-base-300 self-start divide-y border-y">
            {closures.map((c) => (
              <li key={c.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
                <span className="min-w-40 flex-1 font-medium">{c.name}</span>
                <span className="figures">
                  {c.from === c.to
                    ? dateLabel(c.from)
                    : `${dateLabel(c.from)} to ${dateLabel(c.to)}`}
                </span>
                <PressForm act={reopen}>
                  <input type="hidden" name="id" value={c.id} />
                  <button
                    type="submit"
                    className="btn btn-ghost btn-sm"
                    aria-label={`Open again: ${c.name}, ${dateLabel(c.from)}`}
                  >
                    Open again
                  </button>
                </PressForm>
              </li>
            ))}
          </ul>
        )}
        <ActionForm act={close} submit="Close these days" label="Close some days">
          <Field name="name" label="What for" />
          <Field name="from" label="From" type="date" initial={today} />
          <Field name="to" label="To, that day included" type="date" initial={today} />
        </ActionForm>
      </div>
    </Page>
  );
}
