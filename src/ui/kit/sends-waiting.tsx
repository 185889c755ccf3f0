'use client';

import { usePathname, useRouter } from 'next/navigation';
import { useEffect } from 'react';
import { inDatabase, unkept } from '@/browser/database';
import { whenIdle } from '@/browser/idle';
import { whileSeen } from '@/browser/while-seen';
import { toastDone, UNTIL_SHUT } from './toast-done';

const LOOK_EVERY_MS = 30_000;
/** A register sends what waits by itself, and tells of it where it was marked. */
const REGISTERS = '/people/register/';

/** Most that was refused of which it is told at once. */
const MOST_TOLD = 5;

/** Fetched where there is something to be sent, which is seldom. Without the server it comes at a later look. */
const sending = () => import('@/browser/waiting').catch(() => undefined);

/**
 * What happened in classes and was marked in registers while the server was away is sent from any page of the studio:
 * nobody has to open that class again for it.
 */
export function SendsWaiting({ studioId }: { studioId: string }) {
  const router = useRouter();
  const isHere = !usePathname().startsWith(REGISTERS);
  useEffect(() => {
    if (!isHere) return;
    const send = async () => {
      const waits = await inDatabase((db) => db.count('outbox')).catch(unkept);
      const part = waits ? await sending() : undefined;
      if (!part) return;
      const { stored, refused } = await part.sendWaiting({ studioId });
      if (stored > 0) {
        const things = stored === 1 ? 'one thing' : `${stored} things`;
        await toastDone(`Stored now: ${things} that had waited on this device for the server.`);
        router.refresh();
      }
      if (refused.length === 0) return;
      const { toast } = await import('sonner');
      for (const says of [...new Set(refused)].slice(0, MOST_TOLD)) {
        toast.error(`Not stored, of what had waited on this device: ${says}`, UNTIL_SHUT);
      }
    };
    // What is under way is not sent, and told, a second time.
    let last = Promise.resolve();
    const sendInTurn = () => {
      last = last.then(send, send);
      return last;
    };
    const dontSend = whenIdle(sendInTurn);
    const stop = whileSeen(sendInTurn, LOOK_EVERY_MS);
    window.addEventListener('online', sendInTurn);
    return () => {
      dontSend();
      stop();
      window.removeEventListener('online', sendInTurn);
    };
  }, [isHere, studioId, router]);
  return null;
}
