import { expect, it } from 'vitest';
import { be, db, mine } from './testing/visitors';

// Fetched only once what they are asked with is made up.
const studio = () => import('./(studio)/studio/actions');

const fresh = { values: {}, errors: {}, problem: null, done: null };
const given = (fields: Record<string, string>) => {
  const form = new FormData();
  for (const [name, value] of Object.entries(fields)) form.set(name, value);
  return form;
};

it('what would be forgotten at once by a shorter time is asked about first, and told', async () => {
  be('owner');
  const of = { studio_id: mine.studioId };
  await db()('recordings')
    .where(of)
    .update({ recorded_at: new Date(Date.UTC(2026, 0, 1)) });
  const left = async () => (await db()('recordings').where(of).pluck('id')).length;
  const { changeRetentionAction } = await studio();
  const keep = (fields: Record<string, string>) =>
    changeRetentionAction(fresh, given({ runsMonths: '', ...fields }));
  const long = await keep({ recordingsMonths: '24' });
  expect([long.done, await left()]).toEqual(['Saved.', 1]);
  const short = await keep({ recordingsMonths: '2' });
  expect(short.errors.sure).toBe('This forgets at once, for good: 1 recording.');
  expect([short.values.recordingsMonths, await left()]).toEqual(['2', 1]);
  const sure = await keep({ recordingsMonths: '2', sure: 'on' });
  expect([sure.done, await left()]).toEqual(['Saved. 1 recording went.', 0]);
});
