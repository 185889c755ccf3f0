import { keepCautions } from '@/server/people/carried';
import { addParticipant } from '@/server/people/people';
import { expect, NOON, test } from './harness';
import { termOf } from './term';

const FIRST = [
  'Aino',
  'Bran',
  'Cis',
  'Dor',
  'Esk',
  'Fen',
  'Gru',
  'Hal',
  'Ing',
  'Jor',
  'Kaj',
  'Lun',
];
const LAST = ['mara', 'nild', 'orin', 'sul'];
/** Four keys a second for a minute. */
const KEYS_IN_A_MINUTE = 240;

test('a room of forty-six stands in sight, and is marked by keyboard in under a minute', async ({
  app,
  page,
}) => {
  const people = FIRST.flatMap((a) => LAST.map((b) => `${a}${b}`)).slice(0, 46);
  const { sessionIds } = await termOf(app, page, { people, weeks: 1 });
  const sessionId = sessionIds[0] ?? '';
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`/lead/${sessionId}`);
  const finder = page.getByLabel('Name: find on the roll, or take in who walked in');
  await expect(finder).toBeInViewport();
  const chips = page.getByRole('button', { name: /: not marked/ });
  await expect(chips).toHaveCount(46);
  const inSight = await chips.evaluateAll(
    (all) => all.filter((chip) => chip.getBoundingClientRect().bottom <= innerHeight).length,
  );
  expect(inSight).toBeGreaterThanOrEqual(40);
  await finder.focus();
  let keys = 0;
  const press = async (key: string) => {
    keys++;
    await page.keyboard.press(key);
  };
  for (const name of people) {
    // The first letters find the next of those who begin so and are not marked yet.
    for (const letter of name.slice(0, 3).toLowerCase()) await press(letter);
    await press('Enter');
  }
  expect(keys).toBeLessThanOrEqual(KEYS_IN_A_MINUTE);
  await expect(chips).toHaveCount(0);
  await expect
    .poll(() => app.db('attendance').where({ session_id: sessionId, mark: 'here' }).count())
    .toEqual([{ count: '46' }]);
  // A touch more makes somebody late; the rest of the marks stand beside the name that was touched.
  const one = page.getByRole('button', { name: /^Kajsul: here/ });
  await one.click();
  await expect(page.getByRole('button', { name: /^Kajsul: late, first class/ })).toBeVisible();
  await page.getByRole('button', { name: 'Kajsul: excused' }).click();
  await expect
    .poll(() => app.db('attendance').where({ session_id: sessionId, mark: 'excused' }).count())
    .toEqual([{ count: '1' }]);
});

test('somebody of the register who was not expected comes in with what they carry', async ({
  app,
  page,
}) => {
  const { scope, sessionIds } = await termOf(app, page, { people: ['Aino'], weeks: 1 });
  const person = { name: 'Brannoc', contact: null };
  const id = await addParticipant(app.db, scope, { person, joinedOn: '2026-01-01', now: NOON });
  const cautions = [{ caution: 'jaw' as const }];
  await keepCautions(app.db, scope, { participantId: id, cautions, consentOn: '2026-01-01' });
  await page.goto(`/lead/${sessionIds[0]}`);
  await page.getByLabel('Name: find on the roll').fill('Branok');
  await page.getByRole('button', { name: 'It is Brannoc' }).click();
  await expect(page.getByRole('button', { name: 'Brannoc: here' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect
    .poll(() => app.db('attendance').where({ participant_id: id }).pluck('mark'))
    .toEqual(['here']);
  expect(
    await app.db('participants').where({ studio_id: scope.studioId }).pluck('name'),
  ).toHaveLength(2);
  // Enter finds Aino, who is expected, before anybody is taken in.
  await page.getByLabel('Name: find on the roll').fill('ai');
  await page.keyboard.press('Shift+Enter');
  await expect(page.getByRole('button', { name: 'Aino: late' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect
    .poll(() => app.db('attendance').where({ session_id: sessionIds[0], mark: 'late' }).count())
    .toEqual([{ count: '1' }]);
});
