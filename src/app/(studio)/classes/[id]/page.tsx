import { LIBRARY } from '@library';
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { z } from 'zod';
import { placedSegments } from '@/core/class';
import { factorOf } from '@/core/run';
import { getClass } from '@/server/classes/classes';
import { now } from '@/server/clock';
import { knownLengths } from '@/server/compiling/measured';
import { surroundingsOf } from '@/server/compose/room';
import { db } from '@/server/db';
import { studioBook } from '@/server/moves/moves';
import { speakerOf, talkOfTeacher } from '@/server/speech/teacher-speech';
import { firstFindings } from '@/ui/compose/at-first';
import { ComposeInSteps } from '@/ui/compose/compose-in-steps';
import { Link } from '@/ui/kit/link';
import { requireTeacher } from '../../../auth';
import { orNotFound } from '../../../or-not-found';
import { leadClassAction } from '../../sessions/actions';
import { copyClassAction } from '../actions';

export const metadata: Metadata = { title: 'Compose' };

export default async function ComposePage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ segment?: string | string[]; take?: string | string[] }>;
}) {
  const teacher = await requireTeacher();
  const { segment, take } = await searchParams;
  const { id } = await params;
  if (!z.uuid().safeParse(id).success) notFound();
  const around = { classId: id, zone: teacher.timeZone, now: now() };
  const [stored, book, { room: booked, own, stamp }, talk, speaker] = await Promise.all([
    orNotFound(getClass(db(), teacher, id)),
    studioBook(db(), teacher),
    surroundingsOf(db(), teacher, around),
    talkOfTeacher(db(), teacher),
    speakerOf(db(), teacher, undefined, { device: 'as chosen' }),
  ]);
  const { plan } = stored;
  const { voices } = speaker;
  const room = { ...booked, timeZone: teacher.timeZone };
  const library = [...own, ...LIBRARY];
  const lengths = await knownLengths(plan, book, speaker, {
    room: room.people.map((p) => p.met),
    talkingFactor: factorOf(talk, plan.rules.say),
  });
  const compose = (
    <ComposeInSteps
      key={id}
      classId={id}
      initial={plan}
      version={stored.version}
      builtIn={LIBRARY}
      around={{ room, own, stamp }}
      findings={firstFindings({ plan, library, room, lengths, voices, talk })}
      talk={talk}
      lengths={lengths}
      voices={voices}
      onDevice={speaker.onDevice}
      lead={leadClassAction.bind(null, id)}
      copy={copyClassAction}
      taking={take === 'files' || take === 'film' ? take : undefined}
      openAt={placedSegments(plan).find((p) => p.segment.id === segment)?.segment.id}
    />
  );
  if (stored.putAwayAt === null) return compose;
  return (
    <>
      <p role="note" className="closed-days mx-auto mt-3 w-fit rounded-lg px-4 py-2 font-medium">
        This class is put away.{' '}
        <Link href="/classes" className="link">
          Bring it back in Classes
        </Link>{' '}
        before you plan or lead it.
      </p>
      {compose}
    </>
  );
}
