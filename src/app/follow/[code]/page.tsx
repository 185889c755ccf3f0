import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { Refusal } from '@/core/calls';
import { readCode } from '@/core/follow';
import { timeOfDay } from '@/core/formats';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { behindTyped } from '@/server/follow/doors';
import { followerOf } from '@/server/follow/followers';
import { FollowScreen } from '@/ui/follow/follow-screen';
import { NoSuchCode } from '@/ui/follow/no-such-code';
import { clientAddress, followToken } from '../../auth';
import { comeInAction, leaveAction } from '../actions';

export const metadata: Metadata = { title: 'Follow', robots: { index: false } };

/** A class as everybody follows it who has its code. It says nothing of anybody else. */
export default async function FollowClassPage({ params }: { params: Promise<{ code: string }> }) {
  const { code: typed } = await params;
  const code = readCode(typed);
  if (!code) return <NoSuchCode says={new Refusal('no-such-code').message} />;
  if (code !== typed) redirect(`/follow/${code}`);
  try {
    const door = await behindTyped(db(), code, { address: await clientAddress(), now: now() });
    return (
      <FollowScreen
        key={code}
        code={code}
        className={door.className}
        studioName={door.studioName}
        planned={timeOfDay(door.startsAt, door.timeZone)}
        shut={door.shut}
        inside={await isInside(door.sessionId)}
        comeIn={comeInAction.bind(null, code)}
        leave={leaveAction}
      />
    );
  } catch (problem) {
    if (!(problem instanceof Refusal)) throw problem;
    return <NoSuchCode says={problem.message} />;
  }
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
