import { wordsIn } from '@/core/follow/words';
import { openToFollowers } from './followers';
import { axe, expect, untilReady } from './harness';
import { test } from './led';

test('the door speaks as the device of whoever stands before it, else as the class is led', async ({
  app,
  browser,
  opened: { sessionId },
  studio: page,
}) => {
  const code = await openToFollowers(page, sessionId);
  const { door, refused, more, question, unsent } = wordsIn('de');
  const device = async (locale: string) => {
    const context = await browser.newContext({ baseURL: app.url, locale });
    context.on('page', untilReady);
    return context.newPage();
  };
  const german = await device('de-AT');
  await german.goto('/follow');
  await german.getByLabel(door.code).fill('x0x xxx');
  await german.getByRole('button', { name: door.go }).click();
  await expect(german.getByText('Ein Code hat 6 Zeichen aus')).toBeVisible();
  await german.getByLabel(door.code).fill('xxx xxx');
  await german.getByRole('button', { name: door.go }).click();
  await expect(german.getByText(refused['no-such-code'] ?? '')).toBeVisible();
  await german.goto('/follow/CCCCCC');
  await expect(german.getByRole('heading', { name: door.nowhere })).toBeVisible();
  await german.goto(`/follow/${code}`);
  await expect(german.getByText(door.care)).toBeVisible();
  await expect(german.getByRole('main')).toHaveAttribute('lang', 'de');
  expect(await axe(german)).toEqual([]);
  await german.getByLabel(door.name).fill('M'.repeat(41));
  await german.getByRole('button', { name: door.comeIn }).click();
  await expect(german.getByText(door.longName)).toBeVisible();
  // Without a connection it says so in German too, and so it does where a question is left half-written.
  await german.context().setOffline(true);
  await german.getByLabel(door.name).fill('Maren');
  await german.getByRole('button', { name: door.comeIn }).click();
  await expect(german.getByText(door.acts.away)).toBeVisible();
  await german.context().setOffline(false);
  const inside = await device('de-DE');
  await inside.goto(`/follow/${code}`);
  await inside.getByRole('button', { name: door.comeIn }).click();
  await inside.getByRole('button', { name: more, exact: true }).click();
  await inside.getByLabel(question).fill('Wie oft?');
  await inside.keyboard.press('Escape');
  await expect(inside.getByText(unsent.says)).toBeVisible();
  await inside.getByRole('button', { name: unsent.goOn }).click();
  await expect(inside.getByLabel(question)).toBeFocused();
  await expect(inside.getByLabel(question)).toHaveValue('Wie oft?');
  await inside.context().close();
  await page.request.post(`/api/sessions/${sessionId}/door`, { data: { shut: true } });
  await german.getByLabel(door.name).fill('Maren');
  await german.getByRole('button', { name: door.comeIn }).click();
  await expect(german.getByText(refused['door-shut'] ?? '')).toBeVisible();
  await german.goto('/follow/again');
  await expect(german.getByText(door.noneOnDevice)).toBeVisible();

  const other = await device('fr-FR');
  await other.goto(`/follow/${code}`);
  await expect(other.getByText(wordsIn('en').door.care)).toBeVisible();
  await app.db('classes').update({ plan: app.db.raw(`plan || '{"language": "de"}'`) });
  await other.reload();
  await expect(other.getByText(door.care)).toBeVisible();
  await expect(other.getByText(door.shut)).toBeVisible();
  await Promise.all([german.context().close(), other.context().close()]);
});

test('no browser is asked to translate a page, since what changes in it would be wrong or missing', async ({
  page,
}) => {
  for (const path of ['/sign-in', '/follow', '/no-such-page']) {
    const text = await (await page.request.get(path)).text();
    expect(text, path).toMatch(/<html [^>]*translate="no"/);
    expect(text, path).toContain('<meta name="google" content="notranslate"/>');
  }
});
