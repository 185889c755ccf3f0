import type { Page } from '@playwright/test';
import { wordsIn } from '@/core/follow/words';
import { keepCautions } from '@/server/people/carried';
import { makeHome } from '@/server/people/practice';
import { appears, inStep, openToFollowers, phone, timed, together } from './followers';
import { axe, Clock, expect, stored, untilReady } from './harness';
import { projected, test } from './led';

test('the teacher opens the door, somebody comes in by the code, and both see the same', async ({
  app,
  browser,
  clock,
  opened: { sessionId },
  studio: page,
}) => {
  await page.getByRole('button', { name: 'Let people follow' }).click();
  const code = (await page.getByTestId('code').textContent()) ?? '';
  const shown = await page.context().newPage();
  await shown.goto(`/lead/${sessionId}/show`);
  await expect(shown.getByTestId('code')).toHaveText(code);
  await shown.close();

  const context = await browser.newContext({
    baseURL: app.url,
    viewport: { width: 360, height: 740 },
  });
  context.on('page', untilReady);
  const there = await context.newPage();
  const theirs = new Clock(app, there);
  await theirs.standAt(clock.now);
  await there.goto('/follow');
  await there.getByLabel('Code').fill('x0x xxx');
  await there.keyboard.press('Enter');
  await expect(there.getByText('A code has 6 signs out of')).toBeVisible();
  await expect(there.getByLabel('Code')).toHaveValue('x0x xxx');
  await there.getByLabel('Code').fill('xxx xxx');
  await there.keyboard.press('Enter');
  await expect(there.getByText('No class has this code now.')).toBeVisible();
  await there.getByLabel('Code').fill(code.toLowerCase());
  await there.keyboard.press('Enter');
  await there.getByLabel('Your name, if you like').fill('Maren');
  await there.keyboard.press('Enter');
  await expect(there.getByText('We begin in a moment.')).toBeVisible();
  await timed(there);

  await together([clock, theirs], 5000);
  await expect(page.getByText('1 follows')).toBeVisible();
  await expect(page.getByRole('list', { name: 'Who follows' })).toContainText('Maren');
  await stored(page, () => page.getByRole('button', { name: 'Start the class' }).click());
  await expect(there.getByText('We begin in a moment.')).toBeHidden();
  await together([clock, theirs], 4200);
  await expect(there.getByTestId('move')).toHaveText('Chin over the shoulder');
  await inStep(app, sessionId, clock.now, [page, there]);

  // By the keyboard alone: cautions, and what follows from them.
  const easier = there.getByRole('button', { name: 'Easier for me' });
  await easier.focus();
  await there.keyboard.press('Enter');
  await there.getByLabel('neck pain or injury, or dizziness on looking up').focus();
  await there.keyboard.press('Space');
  await there.getByLabel('facial palsy or a recent stroke').focus();
  await there.keyboard.press('Space');
  await there.keyboard.press('Escape');
  await expect(easier).toBeFocused();
  // What the room hears is meant for others then: a screen reader tells it.
  const told = there.locator('[aria-live="polite"]').getByTestId('care');
  await expect(told).toContainText('Leave this one out.');
  await there.getByRole('button', { name: 'More' }).press('Enter');
  await there.getByLabel('Your question').fill('How often a week?');
  await there.getByLabel('With my name').check();
  await there.getByRole('button', { name: 'Send' }).press('Enter');
  await expect(there.getByText('Sent. Your teacher will find it.')).toBeVisible();
  await there.keyboard.press('Escape');
  const { events } = await projected(app, sessionId, clock.now);
  expect(events.at(-1)).toMatchObject({ type: 'parked', note: 'Maren: How often a week?' });

  await page.getByRole('button', { name: /^Followers/ }).click();
  await page.getByRole('button', { name: 'Shut the door' }).click();
  await expect(page.getByText('The door is shut')).toBeVisible();
  await page.getByRole('button', { name: 'Turn away Maren' }).click();
  await expect(there.getByText('You do not follow this class any more.')).toBeVisible();
  await expect(page.getByRole('list', { name: 'Who follows' })).toBeHidden();
  // Whoever was turned away asks and hears nothing more; no follower ever bends a class.
  const data = { question: 'May I come back?', withName: false };
  expect((await there.request.post('/api/follow/questions', { data })).status()).toBe(403);
  const cue = '/api/follow/speech?text=Chin+over+the+shoulder.&language=en&rate=150';
  expect((await there.request.get(cue)).status()).toBe(403);
  const { id: runId } = await app.db('runs').where({ session_id: sessionId }).first('id');
  const paused = { id: crypto.randomUUID(), at: clock.now, type: 'paused' };
  const bends = { device: crypto.randomUUID(), events: [paused], after: 0 };
  const bent = await there.request.post(`/api/runs/${runId}/events`, { data: bends });
  expect(bent.status()).toBe(401);
  await context.close();
});

test('teacher and four followers agree through every bend: two languages, one offline, one late, one reloaded', async ({
  app,
  browser,
  clock,
  led: { sessionId },
  studio: page,
}) => {
  const code = await openToFollowers(page, sessionId);
  const at = () => ({ code, now: clock.now });
  const phones = [await phone(app, browser, at()), await phone(app, browser, at())];
  const [first, german] = phones;
  if (!first || !german) throw new Error('nobody came');
  await german.page.getByRole('button', { name: 'Deutsch' }).click();
  await expect(german.page.getByTestId('doing')).toContainText('mach dich bereit');
  const all = () => [clock, ...phones.map((p) => p.clock)];
  const pages = () => phones.map((p) => p.page);
  let moments = 0;
  const pass = async (ms: number) => {
    await together(all(), ms);
    await inStep(app, sessionId, clock.now, [page, ...pages()]);
    moments++;
  };
  const bend = async (key: string, says?: string) => {
    await stored(page, () => page.keyboard.press(key));
    if (says) await expect(first.page.getByText(says, { exact: true })).toBeVisible();
    await pass(0);
  };
  await pass(3000);
  await bend('+', 'A little longer');
  await pass(4000);
  await bend('Space', 'A pause');
  await pass(6000);
  await bend('Space', 'We go on');
  await bend('ArrowRight', 'On to the next');
  await pass(2000);
  await bend('r', 'One more round');
  await bend('c', 'A little longer');
  await bend('ArrowLeft', 'A step back');
  await bend(';');
  await bend(',');
  await bend('u');

  // Late: right at once.
  const late = await phone(app, browser, at());
  phones.push(late);
  await pass(1000);
  await bend('a', 'Once more from the start');
  await pass(5000);

  // Offline for 40 s: it goes on by its own clock, and is put right when it returns.
  await first.page.context().setOffline(true);
  await expect(first.page.getByText('No connection. You go on by your own clock.')).toBeVisible();
  await together(all(), 20_000);
  await inStep(app, sessionId, clock.now, [first.page]);
  await stored(page, () => page.keyboard.press('Space'));
  // The others hear it before the time moves on: a line that hears nothing for 40 s is given up and opened anew.
  await expect(german.page.getByTestId('doing')).toContainText(wordsIn('de').paused);
  await expect(late.page.getByTestId('doing')).toContainText(wordsIn('en').paused);
  await inStep(app, sessionId, clock.now, [german.page, late.page]);
  await together(all(), 20_000);
  const asked = Number(await first.page.locator('main').getAttribute('data-asked'));
  await first.page.context().setOffline(false);
  await expect(first.page.getByText('No connection.')).toBeHidden();
  await expect(first.page.locator('main')).not.toHaveAttribute('data-asked', String(asked));
  await pass(0);
  await bend('Space');
  await pass(3000);

  // Loaded anew in the middle: in the same class, at the same moment, without the door.
  await late.page.reload();
  await timed(late.page);
  await pass(1000);
  await bend('s', 'On to the next part');
  await pass(1000);
  await bend('g', 'The easier version for all');
  await pass(2000);
  // A screen that slept while the teacher went on: right again at once.
  await german.page.evaluate(() => {
    Object.defineProperty(document, 'hidden', { value: true, configurable: true });
    document.dispatchEvent(new Event('visibilitychange'));
  });
  await together([clock, first.clock, late.clock], 2000);
  await stored(page, () => page.keyboard.press('+'));
  await german.clock.sleep(2000);
  await german.page.evaluate(() => {
    Object.defineProperty(document, 'hidden', { value: false, configurable: true });
    document.dispatchEvent(new Event('visibilitychange'));
  });
  await pass(0);
  await bend('w', 'We come to the close');
  await pass(1500);
  expect(moments).toBeGreaterThan(20);
  for (const { close } of phones) await close();
});

test('followers catch up with the teacher, and go back with them when that is taken back', async ({
  app,
  browser,
  clock,
  led: { sessionId, score },
  studio: page,
}) => {
  const code = await openToFollowers(page, sessionId);
  const there = await phone(app, browser, { code, now: clock.now });
  const both = [clock, there.clock];
  const step = async () => {
    await together(both, 500);
    await inStep(app, sessionId, clock.now, [page, there.page]);
  };
  await together(both, 2000);
  await stored(page, () => page.keyboard.press('Space'));
  await step();
  // A pause that is longer than what the slot has to spare.
  const strideMs = 10_000;
  for (let left = score.slotMs - score.totalMs + 20_000; left > 0; left -= strideMs) {
    await together(both, strideMs);
    // Whoever hears nothing for long asks anew, and is told how things stand.
    await expect
      .poll(async () => {
        await together(both, 100);
        return there.page.getByText('No connection.').isHidden();
      })
      .toBe(true);
  }
  await stored(page, () => page.keyboard.press('Space'));
  await step();
  await page.keyboard.press('t');
  const trims = page.getByRole('dialog', { name: 'Catch up' }).getByRole('list');
  await expect(trims).toContainText(/pauses|rounds|instead of/);
  await stored(page, () => page.keyboard.press('Enter'));
  await step();
  await stored(page, () => page.keyboard.press('ArrowRight'));
  await step();
  await stored(page, () => page.keyboard.press('u'));
  await step();
  await there.close();
});

test('when the server dies, followers go on by themselves, and come back to another one', async ({
  app,
  browser,
  clock,
  led: { sessionId },
  studio: page,
}) => {
  const code = await openToFollowers(page, sessionId);
  const there = await phone(app, browser, { code, now: clock.now, name: 'Jon' });
  await together([clock, there.clock], 3000);
  await app.kill();
  await expect(there.page.getByText('No connection.')).toBeVisible();
  await together([there.clock], 8000);
  await clock.sleep(8000);
  await inStep(app, sessionId, clock.now, [there.page]);
  await app.up();
  await together([clock, there.clock], 20_000);
  await expect(there.page.getByText('No connection.')).toBeHidden();
  await stored(page, () => page.keyboard.press('Space'));
  await expect(there.page.getByTestId('doing')).toContainText('a pause');
  await inStep(app, sessionId, clock.now, [there.page]);
  await there.close();
});

test('without the server the page opens again on the phone, and the class goes on there', async ({
  app,
  browser,
  clock,
  led: { sessionId },
  studio: page,
}) => {
  const code = await openToFollowers(page, sessionId);
  const there = await phone(app, browser, { code, now: clock.now });
  await expect(there.page.getByTestId('countdown')).toBeVisible();
  await expect
    .poll(() =>
      there.page.evaluate(
        async (url) => (await caches.match(url, { ignoreVary: true })) !== undefined,
        `/follow/${code}`,
      ),
    )
    .toBe(true);
  await together([clock, there.clock], 2000);
  await there.page.context().setOffline(true);
  await there.page.reload();
  // The time moves on once the stage looks at it.
  await expect.poll(() => there.page.workers().length).toBeGreaterThan(0);
  await together([clock, there.clock], 1000);
  await inStep(app, sessionId, clock.now, [there.page]);
  await there.close();
});

test('axe finds nothing at the door, while waiting, on the stage, in what is chosen and at the end', async ({
  app,
  browser,
  studio: page,
}) => {
  const look = async (of: Page, name: string) => expect(await axe(of), name).toEqual([]);
  await page.goto('/');
  await page.getByRole('link', { name: /^Lead/ }).first().click();
  await page.getByRole('button', { name: 'Let people follow' }).click();
  const code = ((await page.getByTestId('code').textContent()) ?? '').replace(' ', '');
  await look(page, 'Lead, its door open');
  const shown = await page.context().newPage();
  await shown.goto(`${page.url()}/show`);
  await shown.getByTestId('code').waitFor();
  await look(shown, 'the second screen with a code');
  const context = await browser.newContext({
    baseURL: app.url,
    viewport: { width: 360, height: 740 },
    reducedMotion: 'reduce',
  });
  context.on('page', untilReady);
  const there = await context.newPage();
  await there.goto('/follow');
  await look(there, 'where a code is typed');
  await there.goto('/follow/CCCCCC');
  await look(there, 'a code of nothing');
  await there.goto(`/follow/${code}`);
  await look(there, 'the door');
  await there.getByRole('button', { name: 'Come in' }).click();
  await there.getByText('We begin in a moment.').waitFor();
  await look(there, 'waiting');
  await page.getByRole('button', { name: 'Start the class' }).click();
  await there.getByTestId('countdown').waitFor();
  await look(there, 'the stage');
  await there.getByRole('button', { name: 'Easier for me' }).click();
  await there.getByLabel('jaw joint pain or clicking').check();
  await look(there, 'cautions');
  await there.keyboard.press('Escape');
  await there.getByRole('button', { name: 'More' }).click();
  await there.getByText('In step').click();
  await there.getByText('Leave the class').click();
  await look(there, 'how one follows');
  await there.keyboard.press('Escape');
  // Twice as large, nothing is cut off at the side.
  await there.evaluate(() => {
    document.documentElement.style.fontSize = '200%';
  });
  const wide = () => there.evaluate(() => document.documentElement.scrollWidth);
  expect(await wide()).toBeLessThanOrEqual(360);
  await page.getByRole('button', { name: 'Followers: 1' }).click();
  await look(page, 'who follows');
  await page.getByRole('button', { name: /^Turn away/ }).click();
  await there.getByText('You do not follow this class any more.').waitFor();
  await look(there, 'turned away');
  await context.close();
});

test('a class that may be taken home is done again alone, without the server, and more slowly', async ({
  app,
  browser,
  clock,
  led: { sessionId, score, ada },
  studio: page,
}) => {
  const code = await openToFollowers(page, sessionId);
  const there = await phone(app, browser, { code, now: clock.now });
  await expect(there.page.getByTestId('countdown')).toBeVisible();
  const { caution, cautionsTitle, easierForMe } = wordsIn('en');
  await there.page.getByRole('button', { name: easierForMe }).click();
  await there.page.getByRole('checkbox', { name: caution.palsy }).check();
  await there.page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Followers/ }).click();
  await page.getByLabel('Whoever follows may do this class again alone').check();
  await page.keyboard.press('Escape');
  await page.keyboard.press('e');
  await page.getByRole('button', { name: 'Finish and store' }).click();
  const again = there.page.getByRole('button', { name: `Do it ${score.name}` });
  await there.page.getByRole('link', { name: 'Do it again, alone' }).click();
  await appears(there, again);
  await expect
    .poll(() =>
      there.page.evaluate(async () =>
        Boolean(await caches.match('/follow/again', { ignoreVary: true })),
      ),
    )
    .toBe(true);
  // Days later, far from any network.
  await there.page.context().setOffline(true);
  await there.clock.sleep(3 * 86_400_000);
  // What was ticked is forgotten with the tab; alone, it is asked for again.
  await there.page.evaluate(() => sessionStorage.clear());
  await there.page.reload();
  await appears(there, again);
  await again.click();
  await expect(there.page.getByRole('dialog', { name: cautionsTitle })).toBeVisible();
  await there.page.keyboard.press('Escape');
  await there.page.getByRole('button', { name: 'Go' }).click();
  const left = async () => Number(await there.page.getByTestId('countdown').textContent());
  const whole = Math.ceil((score.steps[0]?.durationMs ?? 0) / 1000);
  await there.clock.sleep(1200);
  await there.clock.pass(0);
  await expect.poll(left).toBe(whole);
  await there.page.getByRole('button', { name: 'Slower' }).click();
  await there.clock.sleep(10_000);
  await there.clock.pass(0);
  await expect.poll(left).toBe(whole - 8);
  await there.page.getByRole('button', { name: 'Pause' }).click();
  await there.clock.sleep(10_000);
  await there.clock.pass(0);
  await expect.poll(left).toBe(whole - 8);
  await there.page.getByRole('button', { name: 'Again' }).click();
  await expect.poll(left).toBe(whole);
  // Whoever has a page of their own: it counts as practice, once there is a connection again.
  const { studio_id: studioId } = await app.db('sessions').where({ id: sessionId }).first();
  const token = await makeHome(app.db, { studioId }, ada);
  await there.page.evaluate((home) => localStorage.setItem('upbeat-home', home), `/home/${token}`);
  await there.page.getByRole('button', { name: 'Go' }).click();
  await there.clock.sleep(2000);
  await there.clock.pass(0);
  // A device that sleeps does nothing of the class.
  const before = await left();
  await there.clock.sleep(2 * score.totalMs);
  await there.clock.pass(500);
  await expect.poll(left).toBe(before);
  await there.page.getByRole('button', { name: 'Go' }).click();
  for (let ms = 0; ms < 2 * score.totalMs; ms += 15_000) {
    await there.clock.sleep(15_000);
    await there.clock.pass(0);
  }
  await expect(there.page.getByText('They count as soon as there is a connection.')).toBeVisible();
  app.setClock(there.clock.now);
  await there.page.context().setOffline(false);
  await expect(there.page.getByText('Counted as practice: 6 min.')).toBeVisible();
  await expect(there.page.getByRole('link', { name: 'Your own page' })).toHaveAttribute(
    'href',
    `/home/${token}`,
  );
  const practice = await app.db('practice').where({ participant_id: ada });
  expect(practice.map((p) => p.seconds)).toEqual([Math.round(score.totalMs / 1000)]);
  await there.close();
});

test('somebody comes in from their own page, is seen as joined, and is marked here by one press', async ({
  app,
  browser,
  clock,
  opened: { sessionId, ada },
  studio: page,
}) => {
  const { studio_id: studioId } = await app.db('sessions').where({ id: sessionId }).first();
  const token = await makeHome(app.db, { studioId }, ada);
  const told = { cautions: [{ caution: 'jaw' as const }], consentOn: '2026-11-24' };
  await keepCautions(app.db, { studioId }, { participantId: ada, ...told });
  await page.getByRole('button', { name: 'Let people follow' }).click();
  await expect(page.getByTestId('code')).toBeVisible();
  const context = await browser.newContext({ baseURL: app.url });
  context.on('page', untilReady);
  const there = await context.newPage();
  const theirs = new Clock(app, there);
  await theirs.standAt(clock.now);
  await there.goto(`/home/${token}`);
  await there.getByRole('button', { name: 'Follow it here' }).click();
  const waiting = there.getByText('We begin in a moment.');
  await appears({ page: there, clock: theirs, close: async () => {} }, waiting);
  expect(await there.evaluate(() => localStorage.getItem('upbeat-home'))).toBe(`/home/${token}`);
  // What she told her teacher is minded on her own screen too, without her ticking it again.
  await there.getByRole('button', { name: /Easier for me/ }).click();
  await expect(there.getByRole('checkbox', { name: wordsIn('en').caution.jaw })).toBeChecked();
  await there.keyboard.press('Escape');
  await timed(there);
  await clock.sleep(theirs.now - clock.now + 5000);
  await expect(page.getByRole('list', { name: 'Who follows' })).toContainText('Ada joined');
  await stored(page, () => page.getByRole('button', { name: 'Here Ada' }).click());
  await expect(page.getByRole('button', { name: 'Ada: here' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await context.close();
});

test('a phone that is busy knows the time as well as one at rest', async ({
  app,
  browser,
  led: { sessionId },
  studio,
}) => {
  const code = await openToFollowers(studio, sessionId);
  const context = await browser.newContext({ baseURL: app.url });
  context.on('page', untilReady);
  const there = await context.newPage();
  // Nobody comes to look at an answer for so long.
  const busyMs = 400;
  await there.addInitScript((ms) => {
    const { fetch } = window;
    window.fetch = async (...asked) => {
      const answer = await fetch(...asked);
      const until = performance.now() + ms;
      if (String(asked[0]).endsWith('/time')) while (performance.now() < until);
      return answer;
    };
  }, busyMs);
  await there.goto(`/follow/${code}`);
  await there.getByRole('button', { name: 'Come in' }).click();
  await timed(there);
  await there.getByRole('button', { name: 'More' }).click();
  await there.getByText('In step').click();
  const offBy = there.getByTestId('in-step').getByText('off by at most').locator('+ dd');
  expect(Number.parseFloat((await offBy.textContent()) ?? '')).toBeLessThan(busyMs / 2);
  await context.close();
});
