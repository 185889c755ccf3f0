import { CALLS } from '@/core/calls';
import { dateOn } from '@/core/formats';
import { db } from '@/server/db';
import { heldAbout } from '@/server/people/held';
import { attached } from '../../../attached';
import { answering } from '../../../handle';

export const GET = answering(CALLS.exportPerson, async ({ teacher, id, now }) => {
  const zone = teacher.timeZone;
  const held = await heldAbout(db(), teacher, { id, zone, now });
  const name = `held-about-one-person-${dateOn(now, zone)}.json`;
  return attached(JSON.stringify(held, null, 2), { name, type: 'application/json' });
});
