import { wordsIn } from '@/core/follow/words';
import { addMove, expect, openNewClass, openRules, saved, stored, test } from './harness';

test('a class is led in German with English beside it, and ends with time for questions', async ({
  app,
  studio: page,
}) => {
  await openNewClass(app, page, 'Zwei Sprachen', 10);
  await addMove(page, 'folded lip');
  const length = page.getByTestId('length');
  const before = await length.textContent();
  await openRules(page);
  await page.getByLabel('Speak', { exact: true }).selectOption('German');
  await expect(
    page.getByRole('button', { name: /Eingefaltete Lippen aufeinanderdrücken/, expanded: true }),
  ).toBeVisible();
  await page.getByLabel('Second language').selectOption('English, only shown');
  await page.getByLabel('Time for questions').fill('2 min');
  await page.getByLabel('Skin', { exact: true }).selectOption('serum');
  await expect(length).not.toHaveText(before ?? '');
  await saved(page);
  await page.getByRole('button', { name: 'Lead class' }).click();
  await page.getByText('The voice is ready.').waitFor();
  const screen = await page.context().newPage();
  await screen.goto(`${page.url()}/show`);
  await expect(screen.getByText('Leg bereit: ein Serum.')).toBeVisible();
  await stored(page, () => page.getByRole('button', { name: 'Start the class' }).click());
  await expect(page.getByTestId('move')).toHaveText('Eingefaltete Lippen aufeinanderdrücken');
  await expect(page.getByTestId('cue')).toHaveText(/Eingefaltete Lippen aufeinanderdrücken/);
  await expect(page.getByText('Folded lip press.')).toBeVisible();
  // What a hall sees is in the language of the class; what the teacher sees beside it is not.
  await expect(screen.getByTestId('round')).toHaveText(wordsIn('de').round(1, 3));
  await expect(screen.getByTestId('side')).toHaveText(wordsIn('de').side.both);
  await expect(screen.getByTestId('to-go')).toHaveText(/^noch \d/);
  await expect(screen.locator('main')).toHaveAttribute('lang', 'de');
  await expect(page.getByTestId('round')).toHaveText('round 1 of 3');
  await screen.close();
});

test('the rules of a school change what is said and how long it takes', async ({
  app,
  studio: page,
}) => {
  await openNewClass(app, page, 'Schools', 10);
  await addMove(page, 'long o cheek');
  const talk = page.getByTestId('total-talk');
  await openRules(page);
  /** Seconds of talk as shown once they are measured in the voice. */
  const talked = async (): Promise<number> => {
    await page.getByText('Speech measured as it will be heard').waitFor();
    const [minutes = 0, seconds = 0] = (await talk.textContent())?.split(':').map(Number) ?? [];
    return minutes * 60 + seconds;
  };
  const count = page.getByRole('combobox', { name: /^Count/ });
  const full = await talked();
  await page.getByLabel('Explain').selectOption('names only');
  await expect.poll(talked).toBeLessThan(full);
  const names = await talked();
  await count.selectOption('all of it, up');
  await page.getByRole('button', { name: /^\d+ more$/ }).click();
  await expect(page.locator('[data-check=reminder-without-room]')).toContainText(
    'There is no room for it in the work.',
  );
  await count.selectOption('not aloud');
  await expect.poll(talked).toBeLessThan(names);
  await page.getByLabel('Version', { exact: true }).selectOption('harder');
  const cues = page.getByRole('list', { name: 'Cues' });
  await expect(cues.getByText(/Pulse the cheeks/)).toBeVisible();
});
