import { FeedForms } from '../calendar/feed-forms';
import { ActionForm, Field } from '../kit/form';
import { Select } from '../kit/form-fields';
import { TakeOut } from '../kit/take-out';
import { Fold } from './folded';
import type { PersonScreenProps, Told } from './person-types';

/** Entries that are seen without unfolding the rest. */
const FEW = 5;

export function PracticeAtHome(props: PersonScreenProps) {
  const { name, practice, daysOff, today, home, acts } = props;
  const lines = (all: readonly Told[]) =>
    all.map((p) => (
      <li key={p.id} className="flex items-center gap-3 py-1">
        <span className="min-w-0 flex-1">{p.says}</span>
        <TakeOut id={p.id} says={p.says} />
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
    <Fold open={homeClasses.length > 0}>
      <summary className="cursor-pointer font-medium">Classes to do at home</summary>
      <div className="mt-3">
        <ActionForm
          act={acts.home}
          submit="Draft one"
          label="Classes to do at home"
          below={() => (
            <ul className="divide-base-300 divide-y">
              {homeClasses.map((h) => (
                <li key={h.classId} className="flex flex-wrap items-center gap-x-3 py-1.5">
                  <span className="min-w-40 flex-1">
                    <a href={`/classes/${h.classId}`} className="link link-hover font-medium">
                      {h.name}
                    </a>{' '}
                    <span className="quiet figures">{h.length}</span>
                  </span>
                  <a
                    href={`/classes/${h.classId}?take=files`}
                    className="btn btn-ghost btn-sm"
                    aria-label={`Sound, captions, sheet: ${h.name}`}
                  >
                    Sound, captions, sheet
                  </a>
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
    </Fold>
  );
}
