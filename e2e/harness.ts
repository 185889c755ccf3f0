import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { test as base, type Page, type Request } from '@playwright/test';
import { TIMES_ASKED } from '@/browser/server-clock';
import { emptyPlan, type Plan } from '@/core/class';
import { SIGN_IN_COOKIE, signInToDemo } from '@/server/auth/sign-ins';
import { createClass } from '@/server/classes/classes';
import { App, NOON } from './app';

export { expect } from '@playwright/test';
export { NOON };

const STEP_MS = 100;
/** Shorter than what a device is taken to have slept for. */
const STRIDE_MS = 15_000;
/** Where Lead was made ready twice at once, it asks for the time once: that is not waited for longer, and not again. */
const MOST_TURNS = 400;
const TELLS_THE_TIME = /\/(events|prepare|lead|time)$/;

/** Loads of a page are over when its script runs: before that, nobody hears what is pressed. */
export function untilReady(page: Page): void {
  const ready = () => page.locator('html[data-ready]').waitFor({ state: 'attached' });
  const goto = page.goto.bind(page);
  const reload = page.reload.bind(page);
  page.goto = async (...args) => {
    const response = await goto(...args);
    await ready();
    return response;
  };
  page.reload = async (...args) => {
    const response = await reload(...args);
    await ready();
    return response;
  };
}

/** Browser and server on one clock that stands still until a test moves it. */
export class Clock {
  private at = NOON;
  private standing = false;
  private readonly asking = new Set<Request>();
  /** How often this load of Lead was made ready, and has been told the time since. */
  private prepared = 0;
  private told = 0;

  constructor(
    private readonly app: App,
    private readonly page: Page,
  ) {
    page.on('request', (request) => {
      if (TELLS_THE_TIME.test(new URL(request.url()).pathname)) this.asking.add(request);
    });
    const anew = () => {
      this.prepared = 0;
      this.told = 0;
    };
    page.on('requestfinished', (request) => {
      const { pathname } = new URL(request.url());
      if (pathname.endsWith('/prepare')) this.prepared++;
      if (pathname === '/api/time') this.told++;
      this.asking.delete(request);
    });
    page.on('requestfailed', (request) => {
      if (this.asking.delete(request)) anew();
    });
    page.on('framenavigated', (frame) => frame === page.mainFrame() && anew());
  }

  /** An answer under way carries the time it was given at; it has to arrive before the time moves on. */
  private async answered(): Promise<void> {
    const turn = () => this.page.evaluate(() => {});
    await turn();
    // One answer may lead to the next question.
    while (this.asking.size > 0) {
      await Promise.all([...this.asking].map(async (r) => (await r.response())?.finished()));
      await turn();
    }
    // Once Lead is ready it asks for the time, again and again; between two questions nothing is asked.
    const enough = TIMES_ASKED * this.prepared;
    for (let n = 0; n < MOST_TURNS && this.told < enough; n++) await turn();
    this.told = Math.max(this.told, enough);
    await Promise.all([...this.asking].map(async (r) => (await r.response())?.finished()));
    await turn();
  }

  get now(): number {
    return this.at;
  }

  /** Stands at another time than noon. */
  async standAt(time: number): Promise<void> {
    this.at = time;
    await this.stand();
  }

  async stand(): Promise<void> {
    if (this.standing) return;
    this.standing = true;
    this.app.setClock(this.at);
    await this.page.clock.install({ time: this.at - 60_000 });
    await this.page.clock.pauseAt(this.at);
  }

  /** Loads Lead again, at one instant for browser and server. */
  async reload(): Promise<void> {
    const ready = this.page.waitForResponse((r) => r.url().endsWith('/prepare') && r.ok());
    await this.page.reload();
    await (await ready).finished();
  }

  /** The device sleeps: time passes, but its timers do not run until it wakes. */
  async sleep(ms: number): Promise<void> {
    this.at += ms;
    this.app.setClock(this.at);
    await this.page.clock.fastForward(ms);
  }

  /**
   * Lets time pass on both in small steps, so that an answer that comes meanwhile has the time of the
   * device that asked.
   */
  async passInSteps(ms: number): Promise<void> {
    for (let left = ms; left > 0; left -= STEP_MS) await this.pass(Math.min(left, STEP_MS));
  }

  /**
   * Lets time pass on both in strides, each looked at once, as on a device with little time for the page:
   * a quick way to get somewhere, where nobody asks what is said on the way.
   */
  async passInStrides(ms: number): Promise<void> {
    for (let left = ms; left > 0; left -= STRIDE_MS) {
      await this.answered();
      await this.sleep(Math.min(left, STRIDE_MS));
    }
    await this.pass(0);
  }

  /** Lets time pass on both; the browser's timers run as they would. */
  async pass(ms: number): Promise<void> {
    await this.answered();
    this.at += ms;
    this.app.setClock(this.at);
    await this.page.clock.runFor(ms);
  }
}

interface Fixtures {
  /** Every test begins with the demo alone. */
  fresh: undefined;
  clock: Clock;
  /** A page that is signed in to the demo studio; nothing is loaded yet. */
  studio: Page;
}

export const test = base.extend<Fixtures, { app: App }>({
  app: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright asks for a destructured first argument.
    async ({}, use) => {
      const app = await App.start();
      await use(app);
      await app.stop();
    },
    { scope: 'worker' },
  ],
  fresh: [
    async ({ app }, use) => {
      await app.fresh();
      await use(undefined);
    },
    { auto: true },
  ],
  baseURL: async ({ app }, use) => use(app.url),
  context: async ({ context }, use) => {
    const thrown: Error[] = [];
    context.on('page', untilReady);
    context.on('weberror', (problem) => thrown.push(problem.error()));
    await use(context);
    // What the program did not foresee is a fault, also where the page goes on.
    if (thrown.length > 0) throw new AggregateError(thrown, thrown.map(String).join('\n'));
  },
  clock: async ({ app, page }, use) => use(new Clock(app, page)),
  studio: async ({ app, page }, use) => {
    await signIn(app, page);
    await use(page);
  },
});

/** For tests of what moves: a person who has not asked for less movement. */
export const MOVING = { contextOptions: { reducedMotion: 'no-preference' } } as const;

/** Signs a browser in as the demo's teacher, as the button on the sign-in page does. */
export async function signIn(app: App, page: Page): Promise<void> {
  const value = await signInToDemo(app.db, NOON);
  if (!value) throw new Error('the demo studio is not there');
  await page.context().addCookies([{ name: SIGN_IN_COOKIE, value, url: app.url }]);
}

const axeSource = readFileSync(
  createRequire(import.meta.url).resolve('axe-core/axe.min.js'),
  'utf8',
);

/** A colour half way from one to another is none that anybody reads by. */
export const slidNoMore = (page: Page): Promise<void> =>
  page.evaluate(() => {
    for (const sliding of document.getAnimations()) {
      if (sliding instanceof CSSTransition) sliding.finish();
    }
  });

/** What axe finds wrong on the page, one line a rule and place. */
export async function axe(page: Page): Promise<string[]> {
  await page.evaluate(axeSource);
  await slidNoMore(page);
  return page.evaluate(async () => {
    const found = await (window as unknown as { axe: typeof import('axe-core') }).axe.run({
      // What passed is not asked about, which makes it several times as quick.
      resultTypes: ['violations'],
    });
    return found.violations.flatMap((v) => v.nodes.map((n) => `${v.id}: ${n.target.join(' ')}`));
  });
}

/** Makes an empty class, and opens it in Compose. */
export async function openNewClass(
  app: App,
  page: Page,
  name: string,
  minutes: number,
): Promise<void> {
  const { studio_id: studioId } = await app.db('classes').first('studio_id');
  const id = await createClass(app.db, { studioId }, emptyPlan(name, minutes * 60), NOON);
  await page.goto(`/classes/${id}`);
  await page.getByRole('region', { name: 'Running order' }).waitFor();
}

/** The class that is open in Compose, as it is stored. */
export async function storedPlan(app: App, page: Page): Promise<Plan> {
  const id = page.url().split('/').at(-1);
  return (await app.db('classes').where({ id }).first('plan')).plan;
}

/** Adds a move from the shelf by typing and Enter. */
export async function addMove(page: Page, name: string): Promise<void> {
  const search = page.getByRole('searchbox', { name: 'Find a move' });
  await search.fill(name);
  await search.press('Enter');
}

/** Opens the aim and the house rules of a class, where they are not open yet. */
export async function openRules(page: Page): Promise<void> {
  const line = page.getByRole('button', { name: /^Aim and house rules/ });
  if ((await line.getAttribute('aria-expanded')) === 'false') await line.click();
}

export async function saved(page: Page): Promise<void> {
  await page.getByText('Saved', { exact: true }).waitFor();
}

/** Does something to a run and waits until the server has answered for it. */
export async function stored(page: Page, act: () => Promise<unknown>): Promise<void> {
  const answered = page.waitForResponse(
    (r) => r.url().endsWith('/events') && r.request().method() === 'POST' && r.ok(),
  );
  await act();
  await (await answered).finished();
}

/** The breath between the press that starts a class and its first cue. */
export const START_IN_MS = 1200;

/** Starts the class and lets it begin. */
export async function begin(page: Page, clock: Clock): Promise<void> {
  await stored(page, () => page.getByRole('button', { name: 'Start the class' }).click());
  await clock.pass(START_IN_MS);
  // Before the stage stands there, nobody hears its keys.
  await page.getByTestId('countdown').waitFor();
}
