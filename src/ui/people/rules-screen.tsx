'use client';

import { useState } from 'react';
import { ruleWords, STREAK_RULES, type StreakRule, type StreakRuleKey } from '@/core/streak';
import { ActionForm, Field, type FormAct } from '../kit/form';
import { Tick } from '../kit/form-fields';
import { Link } from '../kit/link';
import { Page } from '../kit/page';

export interface RulesScreenProps {
  /** Null for the studio's own rule. */
  classId: string | null;
  className: string | null;
  classes: { id: string; name: string }[];
  /** What holds today. */
  rule: StreakRule;
  says: string;
  /** What begins later, in words. */
  coming: string[];
  today: string;
  keep: FormAct;
}

const KEYS = Object.keys(STREAK_RULES) as StreakRuleKey[];

/** What streaks are counted by, from a day on. */
export function RulesScreen(props: RulesScreenProps) {
  const { classId, className, classes, rule, says, coming, today, keep } = props;
  const [chosen, choose] = useState<StreakRuleKey>(
    KEYS.find((k) => STREAK_RULES[k].name === rule.name) ?? 'every',
  );
  const [own, setOwn] = useState(false);
  const base: StreakRule = STREAK_RULES[chosen];
  const [stage] = base.stages;
  return (
    <Page title="What streaks are counted by">
      <nav aria-label="For" className="-mt-2 mb-5 flex flex-wrap gap-x-4 gap-y-1">
        <Link href="/people/rules" className="link" aria-current={classId === null || undefined}>
          The studio
        </Link>
        {classes.map((c) => (
          <Link
            key={c.id}
            href={`/people/rules?class=${c.id}`}
            className="link"
            aria-current={c.id === classId || undefined}
          >
            {c.name}
          </Link>
        ))}
      </nav>
      <div className="grid gap-x-12 gap-y-8 md:grid-cols-2">
        <section aria-labelledby="now">
          <h2 id="now" className="mb-2 text-xl font-semibold">
            {className ?? 'The studio'}, today
          </h2>
          <p className="font-medium">{rule.name}</p>
          <p className="mt-1">{says}</p>
          {coming.map((c) => (
            <p key={c} className="quiet mt-2">
              Then {c}.
            </p>
          ))}
          <p className="quiet mt-4">
            {classId === null
              ? 'A class follows the studio until it is given a rule of its own.'
              : 'This holds for this class alone.'}{' '}
            A rule never changes how the past was judged.
          </p>
        </section>
        <section aria-labelledby="change">
          <h2 id="change" className="mb-2 text-xl font-semibold">
            Another rule
          </h2>
          <ActionForm act={keep} submit="Count by this" label="Another rule">
            {/* What is chosen outlasts an answer, which would put radio buttons back. */}
            <input type="hidden" name="rule" value={chosen} />
            {own && <input type="hidden" name="own" value="on" />}
            <ul className="flex flex-wrap gap-2" aria-label="Rule">
              {KEYS.map((key) => (
                <li key={key}>
                  <button
                    type="button"
                    className={`btn btn-sm ${chosen === key ? 'btn-primary' : 'btn-outline'}`}
                    aria-pressed={chosen === key}
                    onClick={() => choose(key)}
                  >
                    {STREAK_RULES[key].name}
                  </button>
                </li>
              ))}
            </ul>
            <p className="quiet">{ruleWords(base)}</p>
            <button
              type="button"
              className="link justify-self-start"
              aria-expanded={own}
              onClick={() => setOwn(!own)}
            >
              {own ? 'Without changes of our own' : 'With changes of our own'}
            </button>
            <div hidden={!own} className="grid gap-4" key={chosen}>
              <Field name="name" label="What it is called" initial={base.name} />
              <div className="grid gap-4 sm:grid-cols-2">
                <Field
                  name="times"
                  label="Times a week or day"
                  initial={String(base.times)}
                  inputMode="numeric"
                />
                <Field
                  name="leastShare"
                  label="Least share of a session, %"
                  initial={String(base.leastShare)}
                  inputMode="numeric"
                />
                <Field
                  name="misses"
                  label="So many may be missed"
                  initial={String(stage?.misses ?? 0)}
                  inputMode="numeric"
                />
                <Field
                  name="among"
                  label="of any so many"
                  initial={String(stage?.among ?? 1)}
                  inputMode="numeric"
                />
              </div>
              <Tick name="practice" label="Practice at home counts" initial={base.practice} />
              <Tick
                name="excused"
                label="Who was excused is not counted"
                initial={base.excuses.includes('excused')}
              />
              <Tick name="pause" label="Nor are pauses" initial={base.excuses.includes('pause')} />
              <Tick
                name="holiday"
                label="Nor closed days"
                initial={base.excuses.includes('holiday')}
              />
            </div>
            <Field name="from" label="From" type="date" initial={today} />
          </ActionForm>
        </section>
      </div>
    </Page>
  );
}
