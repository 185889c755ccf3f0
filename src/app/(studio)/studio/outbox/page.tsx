import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { dayLabel, timeOfDay } from '@/core/formats';
import { db } from '@/server/db';
import { lettersOf, MOST_LETTERS, MOST_WAITING } from '@/server/studio/letters';
import { OutboxScreen } from '@/ui/studio/outbox-screen';
import { requireTeacher } from '../../../auth';

export const metadata: Metadata = { title: 'Letters of the studio' };

export default async function OutboxPage() {
  const teacher = await requireTeacher();
  if (teacher.role !== 'owner') redirect('/account');
  const letters = await lettersOf(db(), teacher);
  const at = (ms: number) => `${dayLabel(ms, teacher.timeZone)} ${timeOfDay(ms, teacher.timeZone)}`;
  return (
    <OutboxScreen
      letters={letters.map(({ writtenAt, sentAt, tryAt, ...letter }) => ({
        ...letter,
        written: at(writtenAt),
        sent: sentAt !== null,
        again: tryAt === null ? null : timeOfDay(tryAt, teacher.timeZone),
      }))}
      mails={Boolean(process.env.UPBEAT_SMTP_URL)}
      most={MOST_LETTERS}
      mostUnsent={MOST_WAITING}
    />
  );
}
