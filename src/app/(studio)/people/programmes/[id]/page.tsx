import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { z } from 'zod';
import { dateLabel, dateOn } from '@/core/formats';
import { drawn, ruleWords } from '@/core/streak';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { asChoices } from '@/server/people/apart';
import { namesOfPeople } from '@/server/people/people';
import { programmesOf, progressOf } from '@/server/people/programmes';
import { ProgrammeScreen } from '@/ui/people/programme-screen';
import { requireTeacher } from '../../../../auth';
import { endAction, enrolAction } from '../actions';

export const metadata: Metadata = { title: 'Programme' };

/** Beats of a line in a row. */
const BEATS = 21;

export default async function ProgrammePage({ params }: { params: Promise<{ id: string }> }) {
  const teacher = await requireTeacher();
  const { id } = await params;
  if (!z.uuid().safeParse(id).success) notFound();
  const [zone, at] = [teacher.timeZone, now()];
  const programme = (await programmesOf(db(), teacher)).find((p) => p.id === id);
  if (!programme) notFound();
  const [progress, everybody] = await Promise.all([
    progressOf(db(), teacher, { of: { id }, zone, now: at }),
    namesOfPeople(db(), teacher),
  ]);
  const enrolled = new Set(progress.filter((p) => !p.left).map((p) => p.participantId));
  const { weeks } = programme;
  return (
    <ProgrammeScreen
      name={programme.name}
      where={programme.className ?? 'at home'}
      rule={ruleWords(programme.rule)}
      weeks={weeks}
      ended={programme.endedOn && dateLabel(programme.endedOn)}
      today={dateOn(at, zone)}
      people={progress.map((p) => ({
        id: p.participantId,
        name: p.name,
        programmeId: id,
        week: p.left
          ? 'left'
          : p.week > weeks
            ? 'over'
            : p.week === 0
              ? `begins ${dateLabel(p.from)}`
              : `week ${p.week} of ${weeks}`,
        share: Math.min(1, Math.max(0, p.week - 1) / weeks),
        running: !p.left && p.week <= weeks,
        line: drawn(p.streak, BEATS),
        kept: `${p.kept.kept} of ${p.kept.asked}`,
        to: dateLabel(p.to),
      }))}
      others={asChoices(everybody.filter((p) => !enrolled.has(p.id)))}
      enrol={enrolAction.bind(null, id)}
      end={endAction.bind(null, id)}
    />
  );
}
