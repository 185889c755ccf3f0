import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { dateOn, dayLabel } from '@/core/formats';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { ownerOfHome, practiceOf } from '@/server/people/practice';
import { streaksBy } from '@/server/people/streaks';
import { streakTold } from '@/server/register/told';
import { HomeScreen } from '@/ui/home/home-screen';
import { dropMineAction, logMineAction } from './actions';

export const metadata: Metadata = { title: 'Practice at home', robots: { index: false } };

/** Entries that are shown. */
const SHOWN = 20;

/** The page of one person, behind an address of their own. It says nothing of anybody else. */
export default async function HomePage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const owner = await ownerOfHome(db(), token);
  if (!owner) notFound();
  const { participantId, timeZone: zone } = owner;
  const at = now();
  const [practice, streaks] = await Promise.all([
    practiceOf(db(), owner, participantId),
    streaksBy(db(), owner, { whose: { participantIds: [participantId] }, zone, now: at }),
  ]);
  const today = dateOn(at, zone);
  return (
    <HomeScreen
      name={owner.name}
      studioName={owner.studioName}
      today={today}
      streaks={(streaks.get(participantId) ?? [])
        .filter((s) => !s.ended)
        .map((s) => streakTold(s, { zone, now: at }))}
      practice={practice.slice(0, SHOWN).map((p) => ({
        id: p.id,
        says: `${dayLabel(p.at, zone)}${p.seconds ? `, ${Math.round(p.seconds / 60)} min` : ''}`,
        mine: !p.byTeacher,
      }))}
      log={logMineAction.bind(null, token)}
      drop={dropMineAction.bind(null, token)}
    />
  );
}
