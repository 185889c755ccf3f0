import { type Browser, chromium } from '@playwright/test';

/** A browser to measure in. */
export const launch = (...more: string[]): Promise<Browser> =>
  chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-background-networking',
      '--disable-sync',
      ...more,
    ],
  });
