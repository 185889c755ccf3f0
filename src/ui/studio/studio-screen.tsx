'use client';

import { useState } from 'react';
import { emptyPlan, type Plan } from '@/core/class';
import type { NewClass } from '@/core/studio';
import { newClassOf } from '@/core/studio';
import { RulesFields } from '../compose/rules-fields';
import { ActionForm, Field, type FormAct } from '../kit/form';
import { Sure } from '../kit/form-fields';
import { Link } from '../kit/link';
import { Page } from '../kit/page';
import { TimeZoneField } from '../kit/time-zone-field';
import { ArchiveLink, TakeInForm } from './archive-section';
import {
  type TeacherActions,
  TeachersSection,
  type TeachersSectionProps,
} from './teachers-section';

export interface StudioActions extends TeacherActions {
  rename: FormAct;
  changeNewClass: FormAct;
  changeRetention: FormAct;
  removeDemo: FormAct;
  remove: FormAct;
}

export interface StudioScreenProps extends Omit<TeachersSectionProps, 'actions'> {
  /** How much the studio has of what has a limit. */
  holdings: readonly { what: string; count: number; most: number }[];
  name: string;
  timeZone: string;
  newClass: NewClass | null;
  runsMonths: number | null;
  recordingsMonths: number | null;
  /** Nothing is in the studio yet. */
  empty: boolean;
  /** How many people are booked on sessions to come. */
  awaited: number;
  /** Whether the demo studio is on this server, and may be removed by somebody else's owner. */
  demo: boolean;
  actions: StudioActions;
}

const months = (n: number | null) => (n === null ? '' : String(n));

/** What an owner sets for the studio. */
export function StudioScreen(props: StudioScreenProps) {
  const { actions } = props;
  return (
    <Page
      title="Your studio"
      actions={
        <Link href="/studio/outbox" className="btn btn-outline">
          Letters of the studio
        </Link>
      }
    >
      <div className="grid grid-cols-[minmax(0,1fr)] gap-10">
        <Section title="Name and time" narrow>
          <ActionForm act={actions.rename} submit="Save name and time">
            <Field name="name" label="Name of the studio" initial={props.name} />
            <TimeZoneField initial={props.timeZone} />
            <p className="quiet text-sm">
              In another time zone, sessions to come stay at the time that the clock shows.
            </p>
          </ActionForm>
        </Section>
        <TeachersSection
          me={props.me}
          teachers={props.teachers}
          invited={props.invited}
          most={props.most}
          invitesStudios={props.invitesStudios}
          actions={actions}
        />
        <Section title="What new classes begin with">
          <NewClassForm newClass={props.newClass} act={actions.changeNewClass} />
        </Section>
        <Section title="What is kept, and for how long" narrow>
          <p className="quiet mb-3">
            Empty means as long as the studio exists. Registers and streaks always stay. Without the
            log of a class, Up Beat no longer knows who has met its moves.
          </p>
          <ActionForm act={actions.changeRetention} submit="Save how long">
            <Field
              name="runsMonths"
              label="Logs of led classes, in months"
              inputMode="numeric"
              initial={months(props.runsMonths)}
            />
            <Field
              name="recordingsMonths"
              label="Recordings of voices, in months"
              inputMode="numeric"
              initial={months(props.recordingsMonths)}
            />
            <Sure label="Forget it" />
          </ActionForm>
        </Section>
        <Section title="How much there is" narrow>
          <p className="quiet mb-3">
            So that one studio never slows another. Each limit says so where it is reached.
          </p>
          <div className="overflow-x-auto">
            <table className="table">
              <thead className="text-base-content">
                <tr>
                  <th scope="col">What</th>
                  <th scope="col" className="text-right">
                    There are
                  </th>
                  <th scope="col" className="text-right">
                    At most
                  </th>
                </tr>
              </thead>
              <tbody>
                {props.holdings.map(({ what, count, most }) => (
                  <tr key={what}>
                    <th scope="row" className="font-normal">
                      {what}
                    </th>
                    <td className="figures text-right">{count.toLocaleString('en')}</td>
                    <td className="figures text-right">{most.toLocaleString('en')}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </Section>
        <Section title="Take the studio along" narrow>
          <p className="quiet mb-3">
            One ZIP file of open formats: plans, tables of people, sessions and attendance, notes,
            logs and recordings. Another Up Beat takes it in. It is about people: keep it safe.
          </p>
          <ArchiveLink />
          <div className="mt-5">
            <TakeInForm empty={props.empty} />
          </div>
        </Section>
        {props.demo && (
          <Section title="The demo" narrow>
            <p className="quiet mb-3">
              The demo studio is on this server still. Removing it removes its invented classes and
              people; yours stay.
            </p>
            <ActionForm act={actions.removeDemo} submit="Remove the demo studio" danger />
          </Section>
        )}
        <Section title="Delete the studio" narrow>
          <p className="mb-3">
            Everything goes: classes, people, registers, recordings and all accounts. It cannot be
            taken back. Download the archive first if anything in it may be wanted again.
          </p>
          {props.awaited > 0 && (
            <p className="mb-3 font-medium">
              {props.awaited === 1 ? '1 person is' : `${props.awaited} people are`} booked on
              sessions to come. Nobody writes to them when it goes: call the sessions off first.
            </p>
          )}
          <div className="mb-4">
            <ArchiveLink />
          </div>
          <ActionForm act={actions.remove} submit="Delete everything" danger>
            <Field name="typedName" label={`Type “${props.name}” to go on`} />
            <Field
              name="current"
              label="Your password"
              type="password"
              autoComplete="current-password"
            />
          </ActionForm>
        </Section>
      </div>
    </Page>
  );
}

export function Section({
  title,
  narrow = false,
  children,
}: {
  title: string;
  narrow?: boolean;
  children: React.ReactNode;
}) {
  return (
    <section aria-label={title} className={narrow ? 'max-w-lg' : ''}>
      <h2 className="mb-3 text-xl font-semibold">{title}</h2>
      {children}
    </section>
  );
}

/** A class that is never stored, to choose by what new ones begin with. */
const sample = (newClass: NewClass | null): Plan => ({
  ...emptyPlan('New classes', 1200),
  ...newClass,
});

function NewClassForm({ newClass, act }: { newClass: NewClass | null; act: FormAct }) {
  const [plan, setPlan] = useState(() => sample(newClass));
  return (
    <ActionForm act={act} submit="Save for new classes">
      <RulesFields plan={plan} edit={(change) => setPlan(change)} settle={() => {}} />
      <input type="hidden" name="newClass" value={JSON.stringify(newClassOf(plan))} readOnly />
    </ActionForm>
  );
}
