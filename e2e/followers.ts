import type { Browser, Locator, Page } from '@playwright/test';
import type { App } from './app';
import { differences, drawn, wanted } from './drawn';
import { Clock, expect, untilReady } from './harness';
import { projected } from './led';

/** Somebody who follows a class on a phone, on the same clock as everybody else. */
export interface Phone {
  page: Page;
  clock: Clock;
  close: () => Promise<void>;
}

/** Opens a session to followers, as its teacher does by a button. @returns the code */
export async function openToFollowers(teacher: Page, sessionId: string): Promise<string> {
  const answer = await teacher.request.post(`/api/sessions/${sessionId}/door`, {
    data: { shut: false },
  });
  return (await answer.json()).door.code;
}

/** A phone that comes in by a code. */
export async function phone(
  app: App,
  browser: Browser,
  {
    code,
    now,
    name = '',
    url = app.url,
    reducedMotion = 'reduce',
  }: {
    code: string;
    now: number;
    name?: string;
    url?: string;
    reducedMotion?: 'reduce' | 'no-preference';
  },
): Promise<Phone> {
  const context = await browser.newContext({
    baseURL: url,
    viewport: { width: 360, height: 740 },
    reducedMotion,
  });
  context.on('page', untilReady);
  const page = await context.newPage();
  const clock = new Clock(app, page);
  await clock.standAt(now);
  await page.goto(`/follow/${code}`);
  await page.getByLabel('Your name, if you like').fill(name);
  await page.getByRole('button', { name: 'Come in' }).click();
  await timed(page);
  return { page, clock, close: () => context.close() };
}

const ASKED_AT_FIRST = 8;

/** The phone knows the time: what it still asks for would otherwise be answered at another time than it was asked. */
export async function timed(page: Page): Promise<void> {
  await expect
    .poll(async () => Number(await page.locator('main').getAttribute('data-asked')))
    .toBeGreaterThan(ASKED_AT_FIRST);
}

/** Lets time pass on all devices and the server; timers that came due run at the end of it. */
export async function together(clocks: readonly Clock[], ms: number): Promise<void> {
  for (const clock of clocks) await clock.sleep(ms);
  for (const clock of clocks) await clock.pass(0);
}

/** Every screen shows what the log says: how long still, which side, what the face does. Less movement is wanted. */
export async function inStep(
  app: App,
  sessionId: string,
  now: number,
  pages: readonly Page[],
): Promise<void> {
  const { state, countdown } = await projected(app, sessionId, now);
  const step = state.queue[state.index]?.step;
  for (const page of pages) {
    await expect(page.getByTestId('countdown')).toHaveText(countdown);
    await expect(page.getByTestId('side')).toHaveText(
      step?.side === 'left'
        ? /left side|linke Seite/
        : step?.side === 'right'
          ? /right side|rechte Seite/
          : /both sides|beide Seiten/,
    );
    await expect
      .poll(async () => differences(await drawn(page), wanted(state, { moving: false })), {
        message: page.url(),
      })
      .toEqual([]);
  }
}

/** Lets time pass on the phone until something is shown: what comes after its page waits for the page's own clock. */
export async function appears({ clock }: Phone, what: Locator): Promise<void> {
  await expect
    .poll(async () => {
      await clock.sleep(400);
      return what.isVisible();
    })
    .toBe(true);
}
