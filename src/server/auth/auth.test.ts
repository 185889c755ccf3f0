import { describe, expect, it } from 'vitest';
import { MINUTE, makeStudio, NOON, PASSWORD, testDatabase } from '../testing/studio';
import {
  SIGN_IN_DAYS,
  signIn,
  signInToDemo,
  signOut,
  signOutEverywhere,
  teacherOf,
} from './sign-ins';

const db = testDatabase();
const address = '127.0.0.1';

async function signedIn(email: string, now = NOON): Promise<string> {
  const answer = await signIn(db(), { email, password: PASSWORD, address }, now);
  if (!answer.ok) throw new Error(answer.reason);
  return answer.token;
}

describe('signing in', () => {
  it('gives a token that leads to the teacher and their studio, and keeps only its hash', async () => {
    const studio = await makeStudio(db());
    const token = await signedIn(studio.email.toUpperCase());
    expect(await teacherOf(db(), token, NOON)).toMatchObject({
      id: studio.teacherId,
      studioId: studio.studioId,
      timeZone: 'Europe/Dublin',
    });
    const stored = await db()('sign_ins').where({ teacher_id: studio.teacherId }).first();
    expect(JSON.stringify(stored)).not.toContain(token);
  });

  it('refuses a wrong password and an unknown email alike', async () => {
    const { email } = await makeStudio(db());
    const wrong = { ok: false, reason: 'wrong' };
    expect(await signIn(db(), { email, password: 'no', address }, NOON)).toEqual(wrong);
    expect(await signIn(db(), { email: 'x@example.org', password: 'no', address }, NOON)).toEqual(
      wrong,
    );
  });

  it('stops after five failures in a quarter of an hour, even for the right password', async () => {
    const { email } = await makeStudio(db());
    for (let i = 0; i < 5; i++) await signIn(db(), { email, password: 'no', address }, NOON + i);
    const right = { email, password: PASSWORD, address };
    expect(await signIn(db(), right, NOON + MINUTE)).toEqual({ ok: false, reason: 'too many' });
    expect((await signIn(db(), right, NOON + 16 * MINUTE)).ok).toBe(true);
  });

  it('counts failures anew after a success', async () => {
    const { email } = await makeStudio(db());
    for (let i = 0; i < 4; i++) await signIn(db(), { email, password: 'no', address }, NOON);
    await signedIn(email);
    await signIn(db(), { email, password: 'no', address }, NOON);
    await signedIn(email);
  });
});

describe('a sign-in', () => {
  it('ends when its time is up', async () => {
    const token = await signedIn((await makeStudio(db())).email);
    const days = (n: number) => NOON + n * 86_400_000;
    expect(await teacherOf(db(), token, days(SIGN_IN_DAYS) - 1)).not.toBeNull();
    expect(await teacherOf(db(), token, days(SIGN_IN_DAYS))).toBeNull();
  });

  it('can be revoked alone or on all devices', async () => {
    const { email, teacherId } = await makeStudio(db());
    const [here, there] = [await signedIn(email), await signedIn(email)];
    await signOut(db(), here, NOON);
    expect(await teacherOf(db(), here, NOON)).toBeNull();
    expect(await teacherOf(db(), there, NOON)).not.toBeNull();
    await signOutEverywhere(db(), teacherId, NOON);
    expect(await teacherOf(db(), there, NOON)).toBeNull();
  });

  it('into the demo needs a demo studio', async () => {
    expect(await signInToDemo(db(), NOON)).toBeNull();
    const { studioId, teacherId } = await makeStudio(db());
    await db()('studios').where({ id: studioId }).update({ is_demo: true });
    const token = await signInToDemo(db(), NOON);
    expect(token && (await teacherOf(db(), token, NOON))?.id).toBe(teacherId);
  });
});
