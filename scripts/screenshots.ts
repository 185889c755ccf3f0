import { chromium, type Page } from '@playwright/test';

/** Takes the pictures in docs/screenshots from the demo studio of a running app. */
const url = process.env.UPBEAT_URL ?? 'http://127.0.0.1:3000';

/** Gives the page a microphone in front of which somebody hums. */
const hum = (page: Page) =>
  page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = async () => {
      const context = new AudioContext();
      const to = context.createMediaStreamDestination();
      const voice = new OscillatorNode(context, { frequency: 180 });
      voice.connect(new GainNode(context, { gain: 0.3 })).connect(to);
      voice.start();
      return to.stream;
    };
  });

async function pictures(): Promise<void> {
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-sync'],
  });
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  const shoot = async (name: string, of: Page = page) => {
    await of.waitForLoadState('networkidle');
    await of.screenshot({ path: `docs/screenshots/${name}.png` });
  };
  await page.goto(`${url}/sign-in`);
  await page.getByRole('button', { name: 'Enter the demo studio' }).click();
  await page.getByRole('heading', { name: 'Today' }).waitFor();
  await shoot('today');
  await page.getByRole('link', { name: 'Change or call off' }).click();
  await page.waitForURL(/\/sessions\//);
  await page.getByRole('heading', { name: 'Who comes' }).waitFor();
  await shoot('session');
  await page.goto(`${url}/calendar`);
  await shoot('calendar');
  await page.goto(`${url}/classes`);
  await shoot('classes');
  await page.getByRole('link', { name: /Loose jaw before choir/ }).click();
  await page.getByText('Speech measured').waitFor();
  await page.getByRole('button', { name: /Braced brow, slow blink/, expanded: false }).click();
  await page.evaluate(() => scrollTo(0, 0));
  await shoot('compose');
  const sheet = await context.newPage();
  await sheet.setViewportSize({ width: 900, height: 1200 });
  await sheet.goto(`${page.url()}/print`);
  await shoot('run-sheet', sheet);
  await sheet.close();
  await page.goto(`${url}/moves`);
  await page.getByRole('button', { name: 'jaw', exact: true }).focus();
  await page.keyboard.press('Enter');
  await shoot('moves');
  await page.goto(`${url}/moves/closing-face-drain`);
  await shoot('move');
  await page.goto(`${url}/people`);
  await shoot('people');
  await page.getByRole('link', { name: 'Loose jaw before choir' }).first().click();
  await page.getByRole('grid').waitFor();
  await shoot('register');
  await page.goto(`${url}/people`);
  await page.getByRole('link', { name: 'Noor' }).click();
  await page.getByRole('heading', { name: 'Regularity' }).waitFor();
  await shoot('person');
  await page.goto(`${url}/people/programmes`);
  await page.getByRole('link', { name: 'Eight weeks at home' }).click();
  await page.getByRole('button', { name: 'Enrol' }).waitFor();
  await shoot('programme');
  await page.goto(`${url}/insights?weeks=12`);
  await page.locator('.recharts-bar-rectangle').first().waitFor();
  await shoot('insights');
  await page.goto(url);
  await page.getByRole('link', { name: 'Lead class' }).click();
  await page.getByText('The voice is ready.').waitFor();
  for (const name of ['Marit', 'Joss', 'Odile', 'Priya', 'Sanna']) {
    await page.getByRole('button', { name: `${name}: here` }).click();
    await page.locator(`[aria-label="${name}: here"][aria-pressed=true]`).waitFor();
  }
  await page.getByRole('button', { name: 'Let people follow' }).click();
  const code = ((await page.getByTestId('code').textContent()) ?? '').replace(' ', '');
  await shoot('roll');
  const phone = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const follower = await phone.newPage();
  await follower.goto(`${url}/follow/${code}`);
  await follower.getByRole('button', { name: 'Come in' }).click();
  await follower.getByText('We begin in a moment.').waitFor();
  await page.getByRole('button', { name: 'Start the class' }).click();
  for (let i = 0; i < 11; i++) await page.keyboard.press('ArrowRight');
  await page
    .getByTestId('cue')
    .filter({ hasText: 'Let the shoulders sink' })
    .waitFor({ timeout: 60_000 });
  await shoot('lead');
  await follower.screenshot({ path: 'docs/screenshots/follow.png' });
  await phone.close();
  const second = await context.newPage();
  await second.goto(`${page.url()}/show`);
  await second.getByTestId('countdown').waitFor();
  await second.waitForTimeout(500);
  await second.screenshot({ path: 'docs/screenshots/second-screen.png' });
  await second.close();
  await page.keyboard.press('n');
  await page.keyboard.press('c');
  await page.keyboard.press('e');
  await page.getByRole('heading', { name: 'Is the register right?' }).waitFor();
  await shoot('close-out');
  await hum(page);
  await page.goto(`${url}/moves/soft-jaw-drop`);
  await page.getByRole('button', { name: 'Record in your voice' }).first().click();
  for (let n = 1; n <= 3; n++) {
    await page.getByRole('button', { name: 'Record', exact: true }).click();
    await page
      .getByTestId('recorded')
      .filter({ hasText: `0:0${n}` })
      .waitFor();
    await page.getByRole('button', { name: 'Stop' }).click();
    await page.getByRole('button', { name: 'Keep it, go on' }).click();
    await page.getByText(`${n} of`).waitFor();
  }
  await page.goto(`${url}/voice`);
  await shoot('voice');
  await browser.close();
}

await pictures();
