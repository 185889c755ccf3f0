import { beforeEach, expect, it } from 'vitest';
import type { FormState } from '@/ui/kit/form';
import { askedWith, be, db, mine } from './testing/visitors';

/** What is told on somebody's own page is told in the language that they read. */

// Fetched only once what they are asked with is made up.
const actions = () => import('./home/[token]/actions');

const FRESH: FormState = { values: {}, errors: {}, problem: null, done: null };
const form = (fields: Record<string, string>) => {
  const made = new FormData();
  for (const [name, value] of Object.entries(fields)) made.set(name, value);
  return made;
};
const reads = (language: 'en' | 'de' | null) =>
  db()('participants').where({ id: mine.ids.people }).update({ language });
const log = async (fields: Record<string, string>) =>
  (await actions()).logMineAction(mine.ids.homeToken, FRESH, form({ minutes: '', ...fields }));

beforeEach(async () => {
  be('anybody');
  askedWith.delete('accept-language');
  await reads(null);
});

it('as the register has it, whatever the device asks for', async () => {
  await reads('de');
  askedWith.set('accept-language', 'en-IE');
  expect((await log({ day: '2026-11-24' })).done).toBe('Eingetragen. Gut gemacht.');
  expect((await log({ day: '2026-11-24', off: 'yes' })).done).toBe('An dem Tag hast du frei.');
  const wrong = await log({ day: '2026-02-30', minutes: 'ten' });
  expect(wrong.errors).toEqual({
    day: 'Wähle einen Tag, den es gibt.',
    minutes: 'Schreib ganze Minuten, oder nichts.',
  });
  expect((await log({ day: '2026-11-24', minutes: '\0' })).errors.minutes).toMatch(/^Darin sind/);
  expect((await log({ day: '2026-01-01' })).problem).toMatch(/^Übung wird für heute/);
  const { checkInMineAction, dropMineAction, followMineAction } = await actions();
  const { homeToken } = mine.ids;
  const scales = { jaw: '11', brow: '3', evenness: '3', words: 'x'.repeat(501) };
  expect((await checkInMineAction(homeToken, FRESH, form(scales))).errors).toEqual({
    jaw: 'Wähle eine Zahl von 0 bis 10.',
    words: 'Höchstens 500 Zeichen.',
  });
  // What was not answered is asked for, and never taken for a number.
  const unsaid = form({ brow: '3', evenness: '', words: '' });
  expect((await checkInMineAction(homeToken, FRESH, unsaid)).errors).toEqual({
    jaw: 'Wähle eine Zahl von 0 bis 10.',
    evenness: 'Wähle eine Zahl von 0 bis 10.',
  });
  await db()('follow_doors').where({ studio_id: mine.studioId }).delete();
  const refused = [
    await checkInMineAction(homeToken, FRESH, form({ ...scales, jaw: '3', words: '' })),
    await followMineAction(homeToken, FRESH, form({})),
  ];
  expect(refused.map((state) => state.problem)).toEqual([
    'Jetzt ist keine Nachfrage dran. Die nächste kommt in ihrer Woche.',
    expect.stringMatching(/^Keine Stunde hat jetzt/),
  ]);
  const { id } = await db()('practice').where({ participant_id: mine.ids.people }).first('id');
  expect((await dropMineAction(homeToken, FRESH, form({ drop: id }))).done).toBe('Herausgenommen.');
});

it('as the device asks, where the register does not know', async () => {
  askedWith.set('accept-language', 'de-AT,en;q=0.5');
  expect((await log({ day: '2026-11-24' })).done).toBe('Eingetragen. Gut gemacht.');
  askedWith.set('accept-language', 'en');
  expect((await log({ day: '2026-11-24' })).done).toBe('Logged. Well kept.');
});

it('as a class of theirs is, where the device asks for no language of ours', async () => {
  askedWith.set('accept-language', 'fr');
  expect((await log({ day: '2026-11-24' })).done).toBe('Logged. Well kept.');
  await db()('classes')
    .whereIn(
      'id',
      db()('home_classes').where({ participant_id: mine.ids.people }).select('class_id'),
    )
    .update({ plan: db().raw(`jsonb_set(plan, '{language}', '"de"')`) });
  expect((await log({ day: '2026-11-24' })).done).toBe('Eingetragen. Gut gemacht.');
});
