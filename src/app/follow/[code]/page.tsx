import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { Refusal } from '@/core/calls';
import { readCode } from '@/core/follow';
import { filled, refusedIn, wordsIn } from '@/core/follow/words';
import { timeOfDay } from '@/core/formats';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { behindTyped } from '@/server/follow/doors';
import { followerOf } from '@/server/follow/followers';
import { FollowScreen } from '@/ui/follow/follow-screen';
import { NoSuchCode } from '@/ui/follow/no-such-code';
import { clientAddress, followToken } from '../../auth';
import { comeInAction, leaveAction } from '../actions';
import { askedLanguage } from '../language';

export const metadata: Metadata = { title: 'Follow', robots: { index: false } };

/** A class as everybody follows it who has its code. It says nothing of anybody else. */
export default async function FollowClassPage({ params }: { params: Promise<{ code: string }> }) {
  const { code: typed } = await params;
  const code = readCode(typed);
  if (!code) return nowhere(new Refusal('no-such-code'));
  if (code !== typed) redirect(`/follow/${code}`);
  try {
    const door = await behindTyped(db(), code, { address: await clientAddress(), now: now() });
    const language = await askedLanguage(door.language);
    const words = wordsIn(language).door;
    return (
      <FollowScreen
        key={code}
        code={code}
        className={door.className}
        planned={filled(words.planned, {
          studio: door.studioName,
          time: timeOfDay(door.startsAt, door.timeZone),
        })}
        words={words}
        language={language}
        shut={door.shut}
        inside={await isInside(door.sessionId)}
        comeIn={comeInAction.bind(null, code)}
        leave={leaveAction}
      />
    );
  } catch (problem) {
    if (!(problem instanceof Refusal)) throw problem;
    return nowhere(problem);
  }
}

async function nowhere(refusal: Refusal) {
  const language = await askedLanguage();
  const says = refusedIn(language, refusal);
  return <NoSuchCode says={says} words={wordsIn(language).door} language={language} />;
}

/** Whether this device came in before; nothing else of it is told. */
async function isInside(sessionId: string): Promise<boolean> {
  try {
    return (await followerOf(db(), await followToken(), now())).sessionId === sessionId;
  } catch (problem) {
    if (problem instanceof Refusal) return false;
    throw problem;
  }
}
