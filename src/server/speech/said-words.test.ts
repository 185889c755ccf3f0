import { describe, expect, it } from 'vitest';
import { MOST_SAID_WORDS } from '@/core/speech';
import { makeStudio, NOON, testDatabase } from '../testing/studio';
import { keepSaidWord, removeSaidWord, saidWords } from './said-words';
import { speakerOf, spoken } from './teacher-speech';

const db = testDatabase();
/** A teacher of a studio of their own. */
async function somebody() {
  const { teacherId, studioId } = await makeStudio(db());
  return { id: teacherId, studioId };
}

const tern = { language: 'en', written: 'Tern', said: 'turn' } as const;

describe('how a studio wants its words said', () => {
  it('is kept once a word, changed and forgotten, each studio its own', async () => {
    const me = await somebody();
    const other = await somebody();
    await keepSaidWord(db(), me, tern, NOON);
    const { id } = await keepSaidWord(db(), me, { ...tern, written: 'TERN', said: 'tairn' }, NOON);
    await keepSaidWord(db(), me, { ...tern, language: 'de' }, NOON);
    expect(await saidWords(db(), me)).toMatchObject([
      { language: 'de', said: 'turn' },
      { language: 'en', written: 'TERN', said: 'tairn' },
    ]);
    expect(await saidWords(db(), other)).toEqual([]);
    await expect(removeSaidWord(db(), other, id)).rejects.toMatchObject({ code: 'not-found' });
    await removeSaidWord(db(), me, id);
    expect(await saidWords(db(), me)).toHaveLength(1);
  });

  it('has an end, told in a sentence, also where two come at once', async () => {
    const me = await somebody();
    await db()('said_words').insert(
      Array.from({ length: MOST_SAID_WORDS - 1 }, (_, n) => ({
        ...tern,
        id: db().raw('gen_random_uuid()'),
        written: `tern ${n}`,
        studio_id: me.studioId,
        created_at: new Date(NOON),
      })),
    );
    const both = await Promise.allSettled(
      ['one', 'two'].map((written) => keepSaidWord(db(), me, { ...tern, written }, NOON)),
    );
    expect(both.map((b) => b.status).sort()).toEqual(['fulfilled', 'rejected']);
    expect(both.find((b) => b.status === 'rejected')?.reason).toMatchObject({
      code: 'too-many-words',
    });
    // What is there may still be changed.
    await keepSaidWord(db(), me, { ...tern, written: 'tern 7', said: 'seven' }, NOON);
  });

  it('is what the voice says, measured and heard alike, and asks for it to be measured anew', async () => {
    const me = await somebody();
    const utterance = { text: 'Come to Tern.', language: 'en', wordsPerMinute: 131 } as const;
    const instead = { ...utterance, text: 'Come to the long harbour wall.' };
    const before = await speakerOf(db(), me);
    const [plain, long] = [await before.length(utterance), await before.length(instead)];
    await keepSaidWord(db(), me, { ...tern, said: 'the long harbour wall' }, NOON);
    const after = await speakerOf(db(), me);
    expect(after.stamp).not.toBe(before.stamp);
    expect(await after.length(utterance)).toBe(long);
    expect(long).toBeGreaterThan(plain ?? 0);
    const heard = await spoken(db(), me, utterance);
    expect(heard.mark).toBe((await spoken(db(), me, instead)).mark);
  });
});
