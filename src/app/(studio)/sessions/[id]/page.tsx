import type { Metadata } from 'next';
import { notFound, redirect } from 'next/navigation';
import { z } from 'zod';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { sessionsLeft } from '@/server/runs';
import { getSession } from '@/server/sessions/sessions';
import { Page } from '@/ui/kit/page';
import { LeftStanding } from '@/ui/sessions/left-standing';
import { requireTeacher } from '../../../auth';
import { orNotFound } from '../../../or-not-found';
import { LEFT_ACTIONS, leftShown } from '../left';

export const metadata: Metadata = { title: 'A class left standing' };

/** Asks what is to become of a session that was left standing; any other leads to its stage. */
export default async function SessionPage({ params }: { params: Promise<{ id: string }> }) {
  const teacher = await requireTeacher();
  const { id } = await params;
  if (!z.uuid().safeParse(id).success) notFound();
  const { classId } = await orNotFound(getSession(db(), teacher, id));
  const all = await sessionsLeft(db(), teacher, { now: now(), classId });
  const left = all.find((s) => s.sessionId === id);
  if (!left) redirect(`/lead/${id}`);
  return (
    <Page title="A class left standing">
      <LeftStanding left={leftShown(left, teacher.timeZone)} actions={LEFT_ACTIONS} />
    </Page>
  );
}
