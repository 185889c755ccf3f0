import { existsSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { defineConfig } from '@playwright/test';

const ALONE = /@alone/;
const CHROMIUM = '/usr/bin/chromium';
/** The same browser without a window, where the machine has it: a test takes a third less of the processor. */
const SHELL = '/usr/bin/chromium-headless-shell';
const WINDOWLESS = existsSync(SHELL) ? SHELL : CHROMIUM;
const ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--autoplay-policy=no-user-gesture-required',
];
/** What keeps pages of several addresses apart costs processes; here there is one address. */
const FEW_PROCESSES = [
  '--disable-site-isolation-trials',
  '--renderer-process-limit=1',
  '--in-process-gpu',
];

export default defineConfig({
  testDir: 'e2e',
  testMatch: '*.spec.ts',
  globalSetup: './e2e/prepare.ts',
  fullyParallel: true,
  // A browser, its page and the server behind it keep a core busy; more workers than cores gain nothing.
  workers: Number(process.env.UPBEAT_BROWSER_WORKERS ?? Math.max(2, availableParallelism())),
  projects: [
    {
      name: 'together',
      grepInvert: ALONE,
      use: { launchOptions: { executablePath: WINDOWLESS, args: [...ARGS, ...FEW_PROCESSES] } },
    },
    // What needs the machine or the database server for itself, in the browser as people have it.
    { name: 'alone', workers: 1, grep: ALONE, dependencies: ['together'] },
  ],
  // Nothing waits for these: they only tell a test that hangs from a machine whose time is taken by others.
  timeout: 240_000,
  expect: { timeout: 30_000 },
  reporter: [['line'], ['json']],
  outputDir: '.data/test/browser-results',
  use: {
    viewport: { width: 1280, height: 800 },
    // What moves is drawn sixty times a second of a test's clock; tests of what moves ask for it.
    contextOptions: { reducedMotion: 'reduce' },
    // As a browser with a window gives it.
    permissions: ['screen-wake-lock'],
    trace: 'off',
    launchOptions: { executablePath: CHROMIUM, args: ARGS },
  },
});
