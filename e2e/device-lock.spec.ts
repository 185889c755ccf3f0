import type { Page } from '@playwright/test';
import { SIGN_IN_COOKIE, signInToDemo } from '@/server/auth/sign-ins';
import { createClass } from '@/server/classes/classes';
import { addParticipant, book } from '@/server/people/people';
import { planSession } from '@/server/sessions/sessions';
import type { App } from './app';
import { shortClass } from './counted';
import { axe, test as base, expect, NOON } from './harness';
import { keepsStage } from './led';

/** Browsers ask for the lock of a device under a name only, and take this one for a secure one. */
const test = base.extend({
  baseURL: async ({ app }, use) => use(app.url.replace('127.0.0.1', 'localhost')),
});

/** A device with a lock that opens, or does not. */
async function deviceOf(page: Page): Promise<{ opens: (does: boolean) => Promise<void> }> {
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('WebAuthn.enable');
  const { authenticatorId } = await devtools.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
  return {
    opens: async (isUserVerified) => {
      await devtools.send('WebAuthn.setUserVerified', { authenticatorId, isUserVerified });
    },
  };
}

async function expected(app: App): Promise<string> {
  const { studio_id: studioId } = await app.db('classes').first('studio_id');
  const scope = { studioId };
  const classId = await createClass(app.db, scope, shortClass(), NOON);
  const person = { name: 'Wanda', contact: null };
  const of = { person, joinedOn: '2026-01-01', now: NOON };
  const participantId = await addParticipant(app.db, scope, of);
  await book(app.db, scope, { participantId, classId, now: NOON - 1000 });
  return planSession(app.db, scope, { classId, startsAt: NOON + 60_000, now: NOON });
}

test('without the server a device asks for its own lock before it shows names', async ({
  app,
  page,
  baseURL,
}) => {
  const value = (await signInToDemo(app.db, NOON)) ?? '';
  await page.context().addCookies([{ name: SIGN_IN_COOKIE, value, url: baseURL ?? '' }]);
  const device = await deviceOf(page);
  await page.goto('/account');
  await device.opens(false);
  await page.getByRole('button', { name: 'Ask for the lock before names are shown' }).click();
  await expect(page.getByRole('alert').getByText('The device did not unlock.')).toBeVisible();
  await device.opens(true);
  await page.getByRole('button', { name: 'Ask for the lock before names are shown' }).click();
  await expect(page.getByText('This device asks for its lock before it shows names')).toBeVisible();
  expect(await axe(page)).toEqual([]);

  const sessionId = await expected(app);
  const name = page.getByText('Wanda');
  await page.goto(`/lead/${sessionId}`);
  await expect(page.getByText('The voice is ready.')).toBeVisible();
  // The server has answered, so whoever is here is signed in.
  await expect(name).toBeVisible();
  await expect.poll(() => keepsStage(page, sessionId)).toBe(true);

  await app.kill();
  await page.reload();
  await expect(page.getByText('asks for its lock before it shows them')).toBeVisible();
  await expect(name).toHaveCount(0);
  expect(await axe(page)).toEqual([]);
  await device.opens(false);
  await page.getByRole('button', { name: 'Unlock and go on' }).click();
  await expect(page.getByRole('alert').getByText('The device did not unlock.')).toBeVisible();
  await expect(name).toHaveCount(0);
  await device.opens(true);
  await page.getByRole('button', { name: 'Unlock and go on' }).click();
  await expect(name).toBeVisible();

  await page.reload();
  await page.getByRole('button', { name: 'Go on without names' }).click();
  await expect(page.getByRole('button', { name: 'Start the class' })).toBeVisible();
  await expect(name).toHaveCount(0);

  await app.up();
  await page.goto('/account');
  await page.getByRole('button', { name: 'Do not ask for the lock any more' }).click();
  await expect(page.getByText('This device asks for its lock')).toHaveCount(0);
});

test('under an address no device can be asked, and the page says so', async ({ app, page }) => {
  const value = (await signInToDemo(app.db, NOON)) ?? '';
  await page.context().addCookies([{ name: SIGN_IN_COOKIE, value, url: app.url }]);
  await page.goto(`${app.url}/account`);
  await expect(page.getByText('This browser cannot ask for the lock')).toBeVisible();
});
