import { format, parseISO } from 'date-fns';
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { z } from 'zod';
import { addDays, dateSchema, mondayOf } from '@/core/calendar';
import { dateLabel, dateOn, dayLabel, timeOfDay } from '@/core/formats';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { asChoices, namedAs } from '@/server/people/apart';
import { namesOfPeople } from '@/server/people/people';
import { ruleOn, rulesFor, rulesOf } from '@/server/people/rules';
import { changesOf } from '@/server/register/correct';
import { registerOf } from '@/server/register/grid';
import { askedFrom, changeTold, firstShown, lineTold, WEEKS } from '@/server/register/told';
import { RegisterScreen } from '@/ui/register/register-screen';
import { requireTeacher } from '../../../../auth';
import { orNotFound } from '../../../../or-not-found';

export const metadata: Metadata = { title: 'Register' };

export default async function RegisterPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const teacher = await requireTeacher();
  const { id } = await params;
  if (!z.uuid().safeParse(id).success) notFound();
  const zone = teacher.timeZone;
  const at = now();
  const asked = dateSchema.safeParse((await searchParams).from);
  const from = mondayOf(asked.success ? asked.data : firstShown(at, zone));
  const register = await orNotFound(
    registerOf(db(), teacher, askedFrom(from, { classId: id, zone, now: at })),
  );
  const [changes, rules, everybody] = await Promise.all([
    changesOf(
      db(),
      teacher,
      register.sessions.map((s) => s.id),
    ),
    rulesOf(db(), teacher),
    namesOfPeople(db(), teacher),
  ]);
  const last = addDays(from, 7 * WEEKS - 1);
  const met = register.sessions.findLastIndex((s) => s.status !== 'cancelled' && s.startsAt <= at);
  return (
    <RegisterScreen
      // What is marked here is ahead of the page; another span is another register.
      key={from}
      studioId={teacher.studioId}
      classId={id}
      className={register.className}
      from={from}
      before={addDays(from, -7 * WEEKS)}
      after={addDays(from, 7 * WEEKS)}
      span={`${dateLabel(from)} to ${dateLabel(last)}`}
      sessions={register.sessions.map((s) => ({
        id: s.id,
        day: format(parseISO(dateOn(s.startsAt, zone)), 'd MMM'),
        when: `${dayLabel(s.startsAt, zone)}, ${timeOfDay(s.startsAt, zone)}`,
        status: s.status,
        word: s.word,
        begun: s.status === 'held' || s.startsAt <= at || s.startedAt !== null,
        nameless: s.nameless,
      }))}
      lines={register.lines.map(namedAs(everybody)).map(lineTold)}
      more={register.more}
      others={asChoices(everybody)}
      rule={ruleOn(rulesFor(rules, id), dateOn(at, zone)).name.toLowerCase()}
      changes={changes.map((c) => changeTold(c, { register, zone }))}
      column={Math.max(0, met)}
    />
  );
}
