// @vitest-environment happy-dom
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { getRedirectError } from 'next/dist/client/components/redirect';
import { UnrecognizedActionError } from 'next/dist/client/components/unrecognized-action-error';
import { RedirectType } from 'next/navigation';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { z } from 'zod';
import { contentOf } from '@/browser/errand';
import { Refusal } from '@/core/calls';
import { ERRAND } from '@/core/calls/errand';
import { wordsIn } from '@/core/follow/words';
import { ActionForm, Field, type FormState } from './form';
import { PressForm } from './press-form';
import { ActsSaid, leadsOn, TYPED_STAYS, toldOfAct } from './use-act';

beforeEach(() => vi.spyOn(console, 'error').mockReturnValue());
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

const withDigest = Object.assign(new Error('It is told in the log.'), { digest: '2101' });
/** As it comes to the page: nothing but its digest is left of what it said. */
const { digest } = new Refusal('too-many-closures', '200');
const refused = Object.assign(new Error('It is told in the log.'), { digest });
const redirected = getRedirectError('/classes', RedirectType.push);

describe('what is told of an action without an answer', () => {
  it.each([
    ['no connection', new TypeError('Failed to fetch'), /^The server does not answer\. .* already/],
    [
      'a page of whoever stands before the server',
      new Error('An unexpected response was received from the server.'),
      /^The server does not answer\./,
    ],
    ['a fault of the server', withDigest, /whose log says why\. What you typed stays here\. Try/],
    [
      'an update of the server',
      new UnrecognizedActionError('Server Action "7f" was not found on the server.'),
      /updated since .* What you typed stays here\. Copy it first\. Open it anew\.$/,
    ],
    ['a refusal', refused, /^A studio has 200 closures at most\..* What you typed stays here\.$/],
    ['a sentence', new Error('This is too large.'), /^This is too large\. What you typed stays/],
  ])('where there was %s', (_, problem, says) => {
    expect(toldOfAct(problem, TYPED_STAYS)).toMatch(says);
    expect(toldOfAct(problem)).not.toMatch(/typed|Copy/);
    expect(leadsOn(problem)).toBe(false);
  });

  it('is nothing where it leads to another page', () => {
    expect(() => toldOfAct(redirected)).toThrow(redirected);
    expect(leadsOn(redirected)).toBe(true);
  });
});

const press = (name: string) =>
  act(async () => {
    fireEvent.click(screen.getByRole('button', { name }));
  });

it('a form without an answer tells so in the language of its page', async () => {
  const { acts } = wordsIn('de').door;
  const nobody = () => Promise.reject(new TypeError('Failed to fetch'));
  render(
    <ActsSaid value={acts}>
      <ActionForm act={nobody} submit="Eintragen" />
    </ActsSaid>,
  );
  await press('Eintragen');
  expect(screen.getByRole('alert').textContent).toBe(
    `${acts.away} ${acts.stays} ${acts.perhapsDone}`,
  );
  expect(toldOfAct(withDigest, acts.stays, acts)).toMatch(/^Auf dem Server ging etwas schief/);
});

it('a form without an answer keeps what was typed, a password too, and is sent again', async () => {
  const sent: [string, FormDataEntryValue][][] = [];
  const answers: (() => Promise<FormState>)[] = [
    () => Promise.reject(new TypeError('Failed to fetch')),
    async () => ({ values: {}, errors: {}, problem: null, done: 'Kept.' }),
  ];
  const keep = (_: FormState, form: FormData) => {
    sent.push([...form]);
    return answers[sent.length - 1]?.() ?? Promise.reject(new Error('sent too often'));
  };
  render(
    <ActionForm act={keep} submit="Keep it">
      <Field name="name" label="Name" initial="Odile" />
      <Field name="password" label="Password" type="password" />
    </ActionForm>,
  );
  const field = (label: string) => screen.getByLabelText(label) as HTMLInputElement;
  fireEvent.change(field('Name'), { target: { value: 'Odile of the lighthouse' } });
  fireEvent.change(field('Password'), { target: { value: 'salt and tar' } });
  await press('Keep it');
  expect(screen.getByRole('alert').textContent).toContain('The server does not answer.');
  expect([field('Name').value, field('Password').value]).toEqual([
    'Odile of the lighthouse',
    'salt and tar',
  ]);
  await press('Keep it');
  expect(screen.queryByRole('alert')).toBeNull();
  expect(screen.getByRole('status').textContent).toBe('Kept.');
  expect(sent[1]).toEqual(sent[0]);
});

it('a form is the same errand until it is answered or asks for something else', async () => {
  const errands: string[] = [];
  const lost = () => Promise.reject(new TypeError('Failed to fetch'));
  const answered = async (): Promise<FormState> => ({
    ...{ values: {}, errors: {}, problem: 'Not now.', done: null },
  });
  const answers = [lost, lost, answered, lost, lost];
  const add = (_: FormState, form: FormData) => {
    errands.push(z.uuid().parse(form.get(ERRAND)));
    return answers[errands.length - 1]?.() ?? Promise.reject(new Error('sent too often'));
  };
  render(
    <ActionForm act={add} submit="Add">
      <Field name="name" label="Name" initial="Liv" />
    </ActionForm>,
  );
  const type = (value: string) =>
    fireEvent.change(screen.getByLabelText('Name'), { target: { value } });
  for (const typed of ['Liv', 'Liv', 'Liv', 'Liv', 'Liva']) {
    type(typed);
    await press('Add');
  }
  const [first, again, answeredThen, anew, another] = errands;
  expect(again).toBe(first);
  expect(answeredThen).toBe(first);
  expect(new Set([first, anew, another]).size).toBe(3);
});

it('what is in a file that is sent tells two errands apart', () => {
  const form = (file: File) => {
    const made = new FormData();
    made.set('file', file);
    return contentOf(made);
  };
  const file = (text: string, lastModified = 1) => new File([text], 'a.json', { lastModified });
  expect(form(file('{}'))).toBe(form(file('{}')));
  expect(form(file('{}'))).not.toBe(form(file('[1]')));
  expect(form(file('{}'))).not.toBe(form(file('{}', 2)));
});

it('a press without an answer says so where it was pressed, until there is one', async () => {
  let away = true;
  const restore = async () => {
    if (away) throw withDigest;
  };
  render(
    <PressForm act={restore}>
      <button type="submit">Put it back</button>
    </PressForm>,
  );
  await press('Put it back');
  expect(screen.getByRole('alert').textContent).toMatch(/^Something went wrong on the server/);
  expect(console.error).toHaveBeenCalledWith(withDigest);
  away = false;
  await press('Put it back');
  expect(screen.queryByRole('alert')).toBeNull();
});

it('what a press did stands beside it where what says it in passing did not come', async () => {
  vi.doMock('sonner', () => {
    throw new TypeError('Failed to fetch dynamically imported module');
  });
  render(
    <PressForm act={async () => 'Maren has no email address: tell her.'}>
      <button type="submit">Call it off</button>
    </PressForm>,
  );
  await press('Call it off');
  expect((await screen.findByRole('status')).textContent).toBe(
    'Maren has no email address: tell her.',
  );
  vi.doUnmock('sonner');
  expect(screen.queryByRole('alert')).toBeNull();
});
