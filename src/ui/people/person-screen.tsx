'use client';

import { addressOf, CALLS, type StreakTold } from '@/core/calls';
import { FeedForms } from '../calendar/feed-forms';
import { StreakButton } from '../kit/beat-line/streak-button';
import { Empty } from '../kit/empty';
import { ActionForm, Field, type FormAct, Select, Tick } from '../kit/form';
import { Page } from '../kit/page';
import { CautionsForm, type CautionsFormProps } from './cautions-form';
import { CheckIns, type CheckInsProps } from './check-ins';

/** Something of a list with an id for its buttons. */
interface Told {
  id: string;
  says: string;
}

export interface PersonScreenProps {
  id: string;
  name: string;
  contact: string | null;
  language: string | null;
  languages: Record<string, string>;
  /** Round numbers and streaks of theirs may be greeted. */
  greet: boolean;
  joined: string;
  left: string | null;
  /** ISO 8601 date. */
  today: string;
  streaks: StreakTold[];
  programmes: StreakTold[];
  homeClasses: { classId: string; name: string; length: string }[];
  checkIns: CheckInsProps;
  bookings: { classId: string; className: string; since: string }[];
  ended: string[];
  pauses: Told[];
  bookable: { id: string; name: string }[];
  notes: { id: string; move: string; note: string; day: string; settled: boolean }[];
  met: string[];
  practice: Told[];
  /** Days they took off lately, ISO 8601, as they are shown. */
  daysOff: Told[];
  /** Those still to come are not past. */
  sessions: {
    id: string;
    past: boolean;
    day: string;
    time: string;
    className: string;
    /** What the register says, in words. */
    register: string;
    took: string;
  }[];
  others: { id: string; name: string }[];
  /** Those whose name is very like this one's. */
  alike: { id: string; name: string }[];
  /** A join that can still be undone. */
  join: { id: string; name: string } | null;
  carried: CautionsFormProps;
  /** Their sessions as an address for a calendar program. */
  feed: { has: boolean; make: FormAct; drop: FormAct };
  /** Their own page, where they log practice. */
  home: { has: boolean; make: FormAct; drop: FormAct };
  acts: Record<
    | 'change'
    | 'book'
    | 'booking'
    | 'pause'
    | 'note'
    | 'practice'
    | 'home'
    | 'join'
    | 'leave'
    | 'erase',
    FormAct
  >;
}

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

function Folded({
  title,
  open,
  children,
}: {
  title: string;
  open?: boolean;
  children: React.ReactNode;
}) {
  return (
    <details open={open}>
      <summary className="cursor-pointer text-xl font-semibold">{title}</summary>
      <div className="mt-3 grid grid-cols-1 gap-4">{children}</div>
    </details>
  );
}

function Regularity({ id, name, streaks, programmes }: PersonScreenProps) {
  return (
    <section aria-labelledby="regularity">
      <h2 id="regularity" className="mb-2 text-xl font-semibold">
        Regularity
      </h2>
      {streaks.length + programmes.length === 0 && (
        <p className="quiet">Not booked on a class yet, so there is nothing to keep up.</p>
      )}
      <ul className="grid grid-cols-1 gap-4">
        {[...programmes, ...streaks].map((s) => {
          const kept = `${s.lately.kept} of ${s.lately.asked} kept in the last 12 weeks`;
          const row = `${s.count}, the longest ${s.line.longest}`;
          return (
            <li key={s.classId} className="border-base-300 rounded-box border p-4">
              <p className="font-medium">
                {s.className}
                {s.ended && <span className="quiet font-normal"> (ended)</span>}
              </p>
              <p className="mt-0.5">
                {/* After a break, what was kept comes first. */}
                {s.line.current === 0 ? kept : row}{' '}
                <span className="quiet">· {s.line.current === 0 ? row : kept}</span>
              </p>
              <div className="mt-2">
                <StreakButton
                  participantId={id}
                  name={name}
                  classId={s.classId}
                  line={s.line}
                  large
                />
              </div>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function Bookings({ bookings, ended, pauses, bookable, today, acts }: PersonScreenProps) {
  return (
    <section aria-labelledby="bookings" className="grid gap-4">
      <h2 id="bookings" className="text-xl font-semibold">
        Booked on
      </h2>
      <ActionForm
        act={acts.booking}
        submit=""
        over
        label="Bookings and pauses"
        below={() => (
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
        )}
      />
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

function Notes({ notes, acts }: PersonScreenProps) {
  return (
    <section aria-labelledby="notes">
      <h2 id="notes" className="mb-2 text-xl font-semibold">
        Notes on form
      </h2>
      {notes.length === 0 ? (
        <p className="quiet">What you correct while you lead will stand here.</p>
      ) : (
        <ActionForm
          act={acts.note}
          submit=""
          over
          label="Notes on form"
          below={() => (
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
          )}
        />
      )}
    </section>
  );
}

/** Entries that are seen without unfolding the rest. */
const FEW = 5;

function PracticeAtHome(props: PersonScreenProps) {
  const { name, practice, daysOff, today, home, acts } = props;
  const lines = (all: readonly Told[]) =>
    all.map((p) => (
      <li key={p.id} className="flex items-center gap-3 py-1">
        <span className="min-w-0 flex-1">{p.says}</span>
        <button
          type="submit"
          name="drop"
          value={p.id}
          className="btn btn-ghost btn-sm"
          aria-label={`Take it out: ${p.says}`}
        >
          Take it out
        </button>
      </li>
    ));
  return (
    <section aria-labelledby="practice" className="grid gap-4">
      <h2 id="practice" className="text-xl font-semibold">
        Practice at home
      </h2>
      <ActionForm
        act={acts.practice}
        submit="Log it"
        label="Practice at home"
        below={() => (
          <>
            <button
              type="submit"
              name="off"
              value="yes"
              className="btn btn-outline btn-sm justify-self-start"
            >
              Take that day off instead
            </button>
            {daysOff.length > 0 && (
              <ul className="divide-base-300 divide-y">
                {daysOff.map((d) => (
                  <li key={d.id} className="flex items-center gap-3 py-1">
                    <span className="min-w-0 flex-1">{d.says}, off</span>
                    <button
                      type="submit"
                      name="on"
                      value={d.id}
                      className="btn btn-ghost btn-sm"
                      aria-label={`Take it back: ${d.says}, off`}
                    >
                      Take it back
                    </button>
                  </li>
                ))}
              </ul>
            )}
            {practice.length === 0 && <p className="quiet">Nothing is logged yet.</p>}
            <ul className="divide-base-300 divide-y">{lines(practice.slice(0, FEW))}</ul>
            {practice.length > FEW && (
              <details>
                <summary className="cursor-pointer">All of it ({practice.length})</summary>
                <ul className="divide-base-300 divide-y">{lines(practice.slice(FEW))}</ul>
              </details>
            )}
          </>
        )}
      >
        <div className="grid gap-4 sm:grid-cols-2">
          <Field name="day" label="Day" type="date" initial={today} />
          <Field name="minutes" label="Minutes, if known" inputMode="numeric" />
        </div>
      </ActionForm>
      <HomeClasses {...props} />
      <details>
        <summary className="cursor-pointer font-medium">Their own page</summary>
        <div className="mt-3 grid grid-cols-1 gap-4">
          <p>
            Behind this address {name} logs practice without an account, and sees how regular they
            are.
          </p>
          <FeedForms {...home} />
        </div>
      </details>
    </section>
  );
}

/** Minutes of a class to do at home. */
const HOME_MINUTES = ['3', '5', '10'] as const;

function HomeClasses({ name, homeClasses, acts }: PersonScreenProps) {
  return (
    <details open={homeClasses.length > 0}>
      <summary className="cursor-pointer font-medium">Classes to do at home</summary>
      <div className="mt-3">
        <ActionForm
          act={acts.home}
          submit="Draft one"
          label="Classes to do at home"
          below={() => (
            <ul className="divide-base-300 divide-y">
              {homeClasses.map((h) => (
                <li key={h.classId} className="flex items-center gap-3 py-1.5">
                  <span className="min-w-0 flex-1">
                    <a href={`/classes/${h.classId}`} className="link link-hover font-medium">
                      {h.name}
                    </a>{' '}
                    <span className="quiet figures">{h.length}</span>
                  </span>
                  <button
                    type="submit"
                    name="back"
                    value={h.classId}
                    className="btn btn-ghost btn-sm"
                    aria-label={`Take it back: ${h.name}`}
                  >
                    Take it back
                  </button>
                </li>
              ))}
            </ul>
          )}
        >
          <p className="quiet text-sm">
            Out of what {name} has met, moves with an open note first, without what they carry is
            against. It is a class like others: change it in Compose.
          </p>
          <Select
            name="minutes"
            label="Minutes"
            options={HOME_MINUTES}
            names={{ '3': '3', '5': '5', '10': '10' }}
            initial="3"
          />
        </ActionForm>
      </div>
    </details>
  );
}

function Details({ id, name, contact, language, languages, greet, acts }: PersonScreenProps) {
  return (
    <Folded title="Name and contact">
      <ActionForm act={acts.change} submit="Keep" label="Name and contact">
        <Field name="name" label="Name, as they like to be called" initial={name} />
        <Field name="contact" label="Contact, if they wish" initial={contact ?? ''} />
        <Select
          name="language"
          label="Language"
          options={['', ...Object.keys(languages)]}
          names={{ '': 'not said', ...languages }}
          initial={language ?? ''}
        />
        <Tick name="greet" label="Greet round numbers and streaks" initial={greet} />
      </ActionForm>
      <p>
        <a href={addressOf(CALLS.exportPerson, id)} className="link" download>
          All that is held about them, as a file
        </a>
      </p>
    </Folded>
  );
}

function Leaving(props: PersonScreenProps) {
  const { name, left, others, alike, join, acts } = props;
  return (
    <>
      <Folded title="The same person twice" open={join !== null || alike.length > 0}>
        {join && (
          <ActionForm
            act={acts.join}
            submit=""
            over
            label="Undo the join"
            below={() => (
              <p className="flex flex-wrap items-center gap-3">
                {join.name} was joined with {name}.
                <button
                  type="submit"
                  name="undo"
                  value={join.id}
                  className="btn btn-outline btn-sm"
                >
                  Make them two again
                </button>
              </p>
            )}
          />
        )}
        <ActionForm act={acts.join} submit={`Join with ${name}`} label="Join">
          <p>
            Everything of the other entry moves here: sessions, notes, practice, cautions. It can be
            undone for a day.
          </p>
          <Select
            name="person"
            label="The other entry"
            options={['', ...new Set([...alike, ...others].map((p) => p.id))]}
            names={{ '': 'choose', ...Object.fromEntries(others.map((p) => [p.id, p.name])) }}
            initial={alike[0]?.id ?? ''}
          />
        </ActionForm>
      </Folded>
      <Folded title="Leaving">
        <ActionForm
          act={acts.leave}
          submit=""
          over
          label="Leave"
          below={() => (
            <p className="flex flex-wrap items-center gap-3">
              {left
                ? `${name} has left, and is in no list any more.`
                : 'Their bookings end, and they are in no list any more. All that is known of them stays.'}
              <button
                type="submit"
                name={left ? 'back' : 'leave'}
                value="yes"
                className="btn btn-outline btn-sm"
              >
                {left ? 'They are back' : 'They leave the studio'}
              </button>
            </p>
          )}
        />
        <ActionForm act={acts.erase} submit="Erase them" label="Erase" danger>
          <p>
            Erasing forgets everything that names {name}. That somebody came stays as a number. It
            cannot be undone; backups and files made before still have it.
          </p>
          <Field name="name" label={`Write “${name}” to erase them`} />
        </ActionForm>
      </Folded>
    </>
  );
}

function Sessions({ name, sessions }: Pick<PersonScreenProps, 'name' | 'sessions'>) {
  const past = sessions.filter((s) => s.past);
  const toCome = sessions.filter((s) => !s.past).reverse();
  return (
    <section aria-labelledby="sessions">
      <h2 id="sessions" className="mb-2 text-xl font-semibold">
        Sessions
      </h2>
      {sessions.length === 0 ? (
        <Empty title="None yet">The sessions they come to will stand here.</Empty>
      ) : (
        <>
          {toCome.length > 0 && (
            <details className="mb-2">
              <summary className="cursor-pointer">
                To come, {toCome.length}; the next {toCome[0]?.day}
              </summary>
              <SessionTable caption={`Sessions of ${name} to come`} sessions={toCome} />
            </details>
          )}
          {past.length > 0 && <SessionTable caption={`Sessions of ${name}`} sessions={past} />}
        </>
      )}
    </section>
  );
}

function SessionTable({
  caption,
  sessions,
}: Pick<PersonScreenProps, 'sessions'> & { caption: string }) {
  return (
    <div className="overflow-x-auto">
      <table className="table [&_td]:py-1.5 [&_th]:py-1.5">
        <caption className="sr-only">{caption}</caption>
        <thead>
          <tr className="text-base-content text-sm">
            <th scope="col">Day</th>
            <th scope="col">Class</th>
            <th scope="col">Register</th>
            <th scope="col" className="text-right">
              Took part
            </th>
          </tr>
        </thead>
        <tbody className="text-base">
          {sessions.map((s) => (
            <tr key={s.id}>
              <td className="figures whitespace-nowrap">
                {s.day} {s.time}
              </td>
              <td>{s.className}</td>
              <td>{s.register}</td>
              <td className="figures text-right">{s.took}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
