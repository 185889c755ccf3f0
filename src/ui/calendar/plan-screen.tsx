'use client';

import { MOST_IN_SERIES, WEEKDAY_NAMES, WEEKDAYS } from '@/core/calendar';
import { ActionForm, Field, type FormAct } from '../kit/form';
import { Select, Tick, WhenAsked } from '../kit/form-fields';
import { Page } from '../kit/page';
import { RoomField } from '../kit/room-field';
import { useLeadingOn } from '../kit/use-leading-on';
import { type PlanState, REPEATS, type Repeats, TURNS } from './plan';

const REPEAT_NAMES: Record<Repeats, string> = {
  once: 'just once',
  weekly: 'every week',
  fortnightly: 'every second week',
  daily: 'every day',
  monthly: 'every month, on the same weekday of the month',
};
export interface PlanScreenProps {
  classes: { id: string; name: string }[];
  teachers: { id: string; name: string }[];
  /** The class that was asked for, and who asks. */
  classId: string;
  teacherId: string;
  today: string;
  plan: FormAct<PlanState>;
}

const namesOf = (all: readonly { id: string; name: string }[], none: string) => ({
  options: ['', ...all.map((one) => one.id)],
  names: { '': none, ...Object.fromEntries(all.map((one) => [one.id, one.name])) },
});

/** Plans a session or a series, and shows first what would come. */
export function PlanScreen({
  classes,
  teachers,
  classId,
  teacherId,
  today,
  plan,
}: PlanScreenProps) {
  const turns = namesOf(classes, 'nobody’s turn');
  const leaders = namesOf(teachers, 'left open');
  const planning = useLeadingOn(plan, (answer) => answer.to);
  return (
    <Page title="Plan sessions">
      <ActionForm act={planning} submit="See what would come" below={WhatComes}>
        <div className="grid gap-x-8 gap-y-4 md:grid-cols-2">
          <div className="grid content-start gap-4">
            <Select
              name="class0"
              label="Class"
              options={classes.map((c) => c.id)}
              names={turns.names}
              initial={classId}
            />
            <details>
              <summary className="link text-sm">Several classes in turn</summary>
              <div className="mt-2 grid gap-3">
                <p className="quiet text-sm">
                  Sessions go through them in order, and begin again. A class may come twice.
                </p>
                {TURNS.slice(1).map((name, i) => (
                  <Select
                    key={name}
                    name={name}
                    label={`Class ${i + 2} in turn`}
                    options={turns.options}
                    names={turns.names}
                    initial=""
                  />
                ))}
              </div>
            </details>
            <Select
              name="teacherId"
              label="Led by"
              options={leaders.options}
              names={leaders.names}
              initial={teacherId}
            />
            <Field name="place" label="Place" />
            <Field name="link" label="Link of the call" type="url" />
            <RoomField />
          </div>
          <div className="grid content-start gap-4">
            <Field name="start" label="First day" type="date" initial={today} />
            <Field name="time" label="At" type="time" initial="18:30" />
            <Select
              name="repeats"
              label="It repeats"
              options={REPEATS}
              names={REPEAT_NAMES}
              initial="weekly"
            />
            <fieldset>
              <legend className="font-medium">On which days of the week</legend>
              <p className="quiet text-sm">None ticked means the weekday of the first day.</p>
              <div className="mt-1 flex flex-wrap gap-x-4 gap-y-1">
                {WEEKDAYS.map((day) => (
                  <Tick key={day} name={day} label={WEEKDAY_NAMES[day].slice(0, 3)} />
                ))}
              </div>
            </fieldset>
            <Field
              name="count"
              label="It ends after so many sessions"
              inputMode="numeric"
              initial="10"
              help={`${MOST_IN_SERIES} at most. Leave it empty to end by a day.`}
            />
            <Field name="last" label="or on" type="date" />
            <WhenAsked about="missing">
              <Select
                name="missing"
                label="Where the clocks jump over the time"
                options={['', 'later', 'leave-out']}
                names={{
                  '': 'choose',
                  later: 'it comes later by as much',
                  'leave-out': 'it is left out',
                }}
                initial=""
              />
            </WhenAsked>
            <WhenAsked about="twice">
              <Select
                name="twice"
                label="Where the clocks show the time twice"
                options={['', 'first', 'second']}
                names={{ '': 'choose', first: 'the first is meant', second: 'the second is meant' }}
                initial=""
              />
            </WhenAsked>
          </div>
        </div>
      </ActionForm>
    </Page>
  );
}

/** The sessions that would come, and the button that puts them onto the calendar. */
function WhatComes({ lines }: PlanState) {
  if (!lines) return null;
  const one = lines.length === 1;
  return (
    <section aria-labelledby="to-come" className="mt-2">
      <h2 id="to-come" className="text-xl font-semibold">
        What would come
      </h2>
      <ul
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls has to be reached by keyboard
        tabIndex={0}
        aria-labelledby="to-come"
        className="divide-base-300 border-base-300 mt-2 max-h-96 divide-y overflow-y-auto border-y"
      >
        {lines.map((line) => (
          <li key={line.occurrence} className="flex flex-wrap gap-x-4 py-1.5">
            <span className="figures w-56">{line.when}</span>
            <span className="font-medium">{line.className}</span>
            <span className="text-error">{line.notes.join('; ')}</span>
          </li>
        ))}
      </ul>
      <button type="submit" name="step" value="plan" className="btn btn-primary mt-4">
        {one ? 'Plan this session' : `Plan these ${lines.length} sessions`}
      </button>
    </section>
  );
}
