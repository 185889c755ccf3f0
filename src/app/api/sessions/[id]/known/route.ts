import { CALLS } from '@/core/calls';
import { alike } from '@/core/people';
import { db } from '@/server/db';
import { namesOfPeople } from '@/server/people/people';
import { roll } from '@/server/sessions/register';
import { answering } from '../../../handle';

/** Most people who are offered as the one who walked in. */
const MOST_OFFERED = 4;

export const GET = answering(CALLS.whoIsIt, async ({ teacher, id, body }) => {
  const [all, entries] = await Promise.all([namesOfPeople(db(), teacher), roll(db(), teacher, id)]);
  const there = new Set(entries.map((e) => e.participantId));
  const others = all.filter((p) => !there.has(p.id));
  return { people: alike(others, body.name, MOST_OFFERED) };
});
