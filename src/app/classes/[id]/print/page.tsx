import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { z } from 'zod';
import { resolve } from '@/core/class';
import { fillOf } from '@/core/outline';
import { factorOf } from '@/core/run';
import { getClass } from '@/server/classes/classes';
import { now } from '@/server/clock';
import { compileMeasured } from '@/server/compiling/measured';
import { roomOf } from '@/server/compose/room';
import { db } from '@/server/db';
import { studioBook } from '@/server/moves/moves';
import { speakerOf, talkOfTeacher } from '@/server/speech/teacher-speech';
import { RunSheet } from '@/ui/print/run-sheet';
import { requireTeacher } from '../../../auth';
import { orNotFound } from '../../../or-not-found';

export const metadata: Metadata = { title: 'Run sheet' };

export default async function PrintPage({ params }: { params: Promise<{ id: string }> }) {
  const teacher = await requireTeacher();
  const { id } = await params;
  if (!z.uuid().safeParse(id).success) notFound();
  const { plan } = await orNotFound(getClass(db(), teacher, id));
  const [book, room] = await Promise.all([
    studioBook(db(), teacher),
    roomOf(db(), teacher, { classId: id, zone: teacher.timeZone, now: now() }),
  ]);
  const met = room.people.map((p) => p.met);
  const talkingFactor = factorOf(await talkOfTeacher(db(), teacher), plan.rules.say);
  const speaker = await speakerOf(db(), teacher, undefined, { device: 'as chosen' });
  const score = await compileMeasured(plan, book, speaker, { room: met, talkingFactor });
  return (
    <RunSheet
      plan={plan}
      score={score}
      book={book}
      fill={fillOf(score, resolve(plan, book))}
      back={`/classes/${id}`}
    />
  );
}
