import { describe, expect, it, vi } from 'vitest';
import { MINUTE, makeStudio, NOON, PASSWORD, testDatabase } from '../testing/studio';
import { addressIn } from './address';
import { delayAfter } from './attempts';
import {
  CLASS_HOURS,
  IDLE_DAYS,
  SIGN_IN_DAYS,
  signIn,
  signInsOf,
  signInToDemo,
  signOut,
  signOutDevice,
  signOutEverywhere,
  staySignedIn,
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

  it('makes strangers wait after five failures, longer each time, also with the right password', async () => {
    const { email } = await makeStudio(db());
    const tried = (password: string, now: number) =>
      signIn(db(), { email, password, address }, now);
    for (let i = 0; i < 5; i++) await tried('no', NOON);
    expect(await tried(PASSWORD, NOON)).toEqual({ ok: false, reason: 'wait', ms: 1000 });
    expect(await tried('no', NOON + 1000)).toEqual({ ok: false, reason: 'wrong' });
    expect(await tried(PASSWORD, NOON + 2000)).toEqual({ ok: false, reason: 'wait', ms: 1000 });
    expect((await tried(PASSWORD, NOON + 3000)).ok).toBe(true);
    // What was right is counted as no failure.
    expect((await tried(PASSWORD, NOON + 3000)).ok).toBe(true);
  });

  it('waits twice as long after each failure, five minutes at most', () => {
    const delays = [4, 5, 6, 7, 13, 14, 40].map((n) => delayAfter(n, 5));
    expect(delays).toEqual([0, 1000, 2000, 4000, 256_000, 300_000, 300_000]);
  });

  it('lets no more pass when many try at once', async () => {
    const { email } = await makeStudio(db());
    const answers = await Promise.all(
      Array.from({ length: 40 }, () => signIn(db(), { email, password: 'no', address }, NOON)),
    );
    expect(answers.filter((a) => !a.ok && a.reason === 'wrong')).toHaveLength(5);
    expect(answers.filter((a) => !a.ok && a.reason === 'wait')).toHaveLength(35);
  });

  it('never keeps a device out that was signed in before, whatever strangers do', async () => {
    const { email } = await makeStudio(db());
    const device = { name: 'Firefox on Linux', token: 'known to itself' };
    const right = { email, password: PASSWORD, address: 'elsewhere', device };
    expect((await signIn(db(), right, NOON)).ok).toBe(true);
    for (let i = 0; i < 30; i++) {
      await signIn(db(), { email, password: 'no', address: `a${i}` }, NOON + 1000 * i);
    }
    const stranger = { ...right, device: { name: 'x', token: 'another' } };
    expect((await signIn(db(), stranger, NOON + 30_000)).ok).toBe(false);
    expect((await signIn(db(), right, NOON + 30_000)).ok).toBe(true);
    // It is counted by itself all the same.
    for (let i = 0; i < 5; i++) await signIn(db(), { ...right, password: 'no' }, NOON + 40_000);
    expect(await signIn(db(), right, NOON + 40_000)).toMatchObject({ reason: 'wait' });
  });

  it('counts what fails from one address on all accounts', async () => {
    const from = 'one address of many accounts';
    for (let i = 0; i < 50; i++) {
      const given = { email: `nobody${i}@harbour.example`, password: 'no', address: from };
      expect(await signIn(db(), given, NOON)).toEqual({ ok: false, reason: 'wrong' });
    }
    const { email } = await makeStudio(db());
    const right = { email, password: PASSWORD, address: from };
    expect(await signIn(db(), right, NOON)).toMatchObject({ reason: 'wait' });
    expect((await signIn(db(), { ...right, address: 'another' }, NOON)).ok).toBe(true);
  });

  it('lets a whole studio sign in from one address, and counts what fails there among it', async () => {
    const from = 'one address of a studio';
    const { email } = await makeStudio(db());
    const right = { email, password: PASSWORD, address: from };
    const enter = () => signIn(db(), right, NOON);
    for (let i = 0; i < 49; i++) {
      const given = { email: `somebody${i}@harbour.example`, password: 'no', address: from };
      await signIn(db(), given, NOON);
    }
    for (let i = 0; i < 8; i++) expect((await enter()).ok).toBe(true);
    await signIn(db(), { ...right, email: 'one@harbour.example', password: 'no' }, NOON);
    expect(await enter()).toEqual({ ok: false, reason: 'wait', ms: 1000 });
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
    for (let day = 10; day < SIGN_IN_DAYS; day += 10) await teacherOf(db(), token, days(day));
    expect(await teacherOf(db(), token, days(SIGN_IN_DAYS) - 1)).not.toBeNull();
    expect(await teacherOf(db(), token, days(SIGN_IN_DAYS))).toBeNull();
  });

  it('that would end in the middle of a class lasts until it is over, and none lasts longer for it', async () => {
    const { email } = await makeStudio(db());
    const end = NOON + SIGN_IN_DAYS * 86_400_000;
    const hours = (n: number) => n * 3_600_000;
    const at = async (token: string, now: number) => (await teacherOf(db(), token, now)) !== null;
    const used = async () => {
      const token = await signedIn(email);
      for (let day = 10; day < SIGN_IN_DAYS; day += 10) await at(token, NOON + day * 86_400_000);
      return token;
    };

    const led = await used();
    const other = await used();
    await staySignedIn(db(), led, end - hours(1));
    expect(await at(led, end - hours(1) + hours(CLASS_HOURS) - 1)).toBe(true);
    expect(await at(led, end - hours(1) + hours(CLASS_HOURS))).toBe(false);
    expect(await at(other, end)).toBe(false);

    const early = await used();
    await staySignedIn(db(), early, end - hours(CLASS_HOURS) - 1);
    expect(await at(early, end - 1)).toBe(true);
    expect(await at(early, end)).toBe(false);

    const over = await used();
    await staySignedIn(db(), over, end + 1);
    const gone = await used();
    await signOut(db(), gone, end - 2);
    await staySignedIn(db(), gone, end - 1);
    expect([await at(over, end + 1), await at(gone, end - 1)]).toEqual([false, false]);
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

  it('ends where a device was not used for too long, and goes on where it was', async () => {
    const token = await signedIn((await makeStudio(db())).email);
    const days = (n: number) => NOON + n * 86_400_000;
    expect(await teacherOf(db(), token, days(IDLE_DAYS) - 1)).not.toBeNull();
    expect(await teacherOf(db(), token, days(2 * IDLE_DAYS) - 2)).not.toBeNull();
    const idle = await signedIn((await makeStudio(db())).email);
    expect(await teacherOf(db(), idle, days(IDLE_DAYS))).toBeNull();
  });

  it('is listed with its device, and one device is signed out by itself, by its teacher alone', async () => {
    const { email, teacherId } = await makeStudio(db());
    const on = async (name: string, now: number) => {
      const device = { name, token: name };
      const answer = await signIn(db(), { email, password: PASSWORD, address, device }, now);
      return answer.ok ? answer.token : '';
    };
    const here = await on('Firefox on Linux', NOON);
    const there = await on('Chrome on Android', NOON + MINUTE);
    const listed = () => signInsOf(db(), teacherId, { token: here, now: NOON + MINUTE });
    expect((await listed()).map((d) => [d.name, d.here])).toEqual([
      ['Chrome on Android', false],
      ['Firefox on Linux', true],
    ]);
    const id = (await listed())[0]?.id ?? '';
    const other = await makeStudio(db());
    await expect(signOutDevice(db(), other.teacherId, { id, now: NOON })).rejects.toMatchObject({
      code: 'not-found',
    });
    await signOutDevice(db(), teacherId, { id, now: NOON + MINUTE });
    expect(await teacherOf(db(), there, NOON + MINUTE)).toBeNull();
    expect((await listed()).map((d) => d.name)).toEqual(['Firefox on Linux']);
  });

  it('into the demo needs a demo studio, and a demo that is on', async () => {
    vi.stubEnv('UPBEAT_DEMO', '1');
    expect(await signInToDemo(db(), NOON)).toBeNull();
    const { studioId, teacherId, email } = await makeStudio(db());
    await db()('studios').where({ id: studioId }).update({ is_demo: true });
    const token = (await signInToDemo(db(), NOON)) ?? '';
    expect((await teacherOf(db(), token, NOON))?.id).toBe(teacherId);
    vi.stubEnv('UPBEAT_DEMO', '0');
    expect(await teacherOf(db(), token, NOON)).toBeNull();
    const given = { email, password: PASSWORD, address };
    expect(await signIn(db(), given, NOON)).toEqual({ ok: false, reason: 'wrong' });
    vi.unstubAllEnvs();
  });
});

describe('where a request came from', () => {
  it.each([
    ['nothing is believed without a proxy', '9.9.9.9', 0, 'unknown'],
    ['the one that the proxy adds', '9.9.9.9, 1.2.3.4', 1, '1.2.3.4'],
    ['the one before the second proxy', '9.9.9.9, 1.2.3.4, 10.0.0.1', 2, '1.2.3.4'],
    ['fewer than there are proxies', '1.2.3.4', 2, 'unknown'],
    ['no header at all', null, 1, 'unknown'],
  ])('is told by those who are trusted: %s', (_, header, proxies, address) => {
    expect(addressIn(header, proxies)).toBe(address);
  });
});
