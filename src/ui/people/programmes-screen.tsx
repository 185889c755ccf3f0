'use client';

import { STREAK_RULES, type StreakRuleKey } from '@/core/streak';
import { Empty } from '../kit/empty';
import { ActionForm, Field, type FormAct } from '../kit/form';
import { Select } from '../kit/form-fields';
import { Link } from '../kit/link';
import { Page } from '../kit/page';

export interface ProgrammesScreenProps {
  programmes: { id: string; name: string; says: string; enrolled: number; ended: string | null }[];
  classes: { id: string; name: string }[];
  make: FormAct;
}

const RULE_NAMES = Object.fromEntries(
  Object.entries(STREAK_RULES).map(([key, rule]) => [key, rule.name]),
) as Record<StreakRuleKey, string>;

/** Programmes of a studio: a class or practice at home, by a rule, for some weeks. */
export function ProgrammesScreen({ programmes, classes, make }: ProgrammesScreenProps) {
  const [going, over] = [programmes.filter((p) => !p.ended), programmes.filter((p) => p.ended)];
  return (
    <Page title="Programmes">
      <div className="grid gap-x-12 gap-y-8 md:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <div>
          {programmes.length === 0 ? (
            <Empty title="No programmes yet">
              <p>
                A programme is a class or practice at home for some weeks, with people who are in it
                and how far each of them is. Make the first beside this.
              </p>
            </Empty>
          ) : (
            <>
              <Lines programmes={going} />
              {over.length > 0 && (
                <details className="mt-6">
                  <summary className="cursor-pointer font-medium">Ended ({over.length})</summary>
                  <Lines programmes={over} />
                </details>
              )}
            </>
          )}
        </div>
        <section aria-labelledby="new">
          <h2 id="new" className="mb-2 text-xl font-semibold">
            A new programme
          </h2>
          <ActionForm act={make} submit="Make it" label="A new programme">
            <Field name="name" label="Name" />
            <Select
              name="classId"
              label="What counts"
              options={['', ...classes.map((c) => c.id)]}
              names={{
                '': 'practice at home',
                ...Object.fromEntries(classes.map((c) => [c.id, c.name])),
              }}
              initial=""
            />
            <Select
              name="homeClassId"
              label="To do at home, for everybody in it"
              options={['', ...classes.map((c) => c.id)]}
              names={{ '': 'nothing', ...Object.fromEntries(classes.map((c) => [c.id, c.name])) }}
              initial=""
            />
            <Select
              name="rule"
              label="By which rule"
              options={Object.keys(RULE_NAMES) as StreakRuleKey[]}
              names={RULE_NAMES}
              initial="daily"
            />
            <Field
              name="weeks"
              label="For so many weeks"
              initial="8"
              inputMode="numeric"
              help="Results are looked at after two, eight and twenty weeks, never after one class."
            />
          </ActionForm>
        </section>
      </div>
    </Page>
  );
}

function Lines({ programmes }: Pick<ProgrammesScreenProps, 'programmes'>) {
  return (
    <ul className="divide-base-300 divide-y">
      {programmes.map((p) => (
        <li key={p.id} className="flex flex-wrap items-baseline gap-x-3 py-2">
          <Link href={`/people/programmes/${p.id}`} className="link link-hover font-medium">
            {p.name}
          </Link>
          <span className="quiet">{p.says}</span>
          <span className="ml-auto">
            {p.ended ? `ended ${p.ended}` : p.enrolled === 1 ? '1 person' : `${p.enrolled} people`}
          </span>
        </li>
      ))}
    </ul>
  );
}
