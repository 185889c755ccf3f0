import { planOf } from '@testing/plans';
import { expect, it } from 'vitest';
import { createClass } from '../classes/classes';
import { addParticipant } from '../people/people';
import { makeStudio, NOON, testDatabase } from '../testing/studio';
import { takenClass, type WordedClass } from './worded';

const db = testDatabase();

/** A studio with a class of some moves; people in it carry what is said of them. */
async function studioWith(...moves: string[]) {
  const { teacherId, studioId } = await makeStudio(db());
  const plan = planOf(
    moves.map((move) => ({ move })),
    {},
    300,
  );
  const classId = await createClass(db(), { studioId }, plan, NOON);
  const person = async (name: string, cautions: readonly object[]) => {
    const of = { person: { name, contact: null }, joinedOn: '2026-01-01', now: NOON };
    const id = await addParticipant(db(), { studioId }, of);
    await db()('participants')
      .where({ id })
      .update({ cautions: JSON.stringify(cautions), cautions_consent_on: '2026-01-01' });
    return id;
  };
  const take = (how: { person?: string; easier?: 'yes' }) =>
    takenClass(db(), { id: teacherId, studioId }, classId, { easier: 'no', ...how });
  return { person, take };
}

/** Each move that is done, and whether its easier version is. */
const doneIn = ({ score }: WordedClass): Record<string, boolean> =>
  Object.fromEntries(
    score.steps
      .filter((step) => step.kind === 'work')
      .map((step) => [step.moveId, step.variant === 'easier']),
  );

const JAW = [{ caution: 'jaw' }];

it('a class for one person is easier, or without a move, where they carry what is against it', async () => {
  const { person, take } = await studioWith(
    'chin-over-shoulder',
    'tall-o-cheek-lift',
    'anchored-jaw-forward',
  );
  const ada = await person('Ada', JAW);
  const planned = {
    'chin-over-shoulder': false,
    'tall-o-cheek-lift': false,
    'anchored-jaw-forward': false,
  };
  expect(doneIn(await take({}))).toEqual(planned);
  expect(doneIn(await take({ person: await person('Ben', []) }))).toEqual(planned);
  expect(doneIn(await take({ person: ada }))).toEqual({
    'chin-over-shoulder': false,
    'tall-o-cheek-lift': true,
  });
});

it('says of whom nothing is left, and takes no stranger for somebody of the studio', async () => {
  const { person, take } = await studioWith('anchored-jaw-forward');
  const left = take({ person: await person('Ada', JAW) });
  await expect(left).rejects.toMatchObject({ code: 'nothing-left-for' });
  await expect(left).rejects.toThrow(/^What Ada carries is against all of this class/);
  const stranger = await (await studioWith('chin-over-shoulder')).person('Cleo', []);
  await expect(take({ person: stranger })).rejects.toMatchObject({ code: 'not-found' });
});
