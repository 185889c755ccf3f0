import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Ids } from './testing/two-studios';
import { be, harmless, isFault, type Module, mine, other, outcome, SEED } from './testing/visitors';

/**
 * Who may do what, tried on every page that is found in this folder. One without an entry fails.
 * Whoever is no teacher of a studio neither learns nor changes anything of it: that is looked at in what comes back
 * and in what is stored, whatever the answer was.
 */

const pages = import.meta.glob<Module>('./**/page.tsx');

/** Pages with an id or a token in their address: which one. */
const PAGE_IDS: Record<string, keyof Ids> = {
  '(studio)/classes/[id]': 'classes',
  '(studio)/moves/[id]': 'moves',
  '(studio)/people/[id]': 'people',
  '(studio)/people/programmes/[id]': 'programmes',
  '(studio)/people/register/[id]': 'classes',
  '(studio)/sessions/[id]': 'sessions',
  'classes/[id]/print': 'classes',
  'lead/[id]': 'sessions',
  'lead/[id]/show': 'sessions',
};
/** Pages for whoever has the address. */
const OPEN_PAGES = [
  'begin/[[...token]]',
  'follow',
  'follow/[code]',
  'follow/again',
  'forgot',
  'home/[token]',
  'join/[token]',
  'reset/[token]',
  'sign-in',
];

const PAGES = Object.entries(pages).map(
  ([file, load]) => [file.slice(2).replace(/\/?page\.tsx$/, ''), load] as const,
);
const isOpen = (name: string) => OPEN_PAGES.includes(name);
const openPage = async (load: () => Promise<Module>, id: string, search: object = {}) => {
  const { default: page } = (await load()) as { default: (props: object) => unknown };
  const params = Promise.resolve({ id, token: id, code: id });
  return () => page({ params, searchParams: Promise.resolve(search) });
};

describe.each(PAGES.filter(([name]) => !isOpen(name)))('the page %s', (name, load) => {
  it('is for teachers of the studio only', async () => {
    const kind = PAGE_IDS[name];
    expect([name, name.includes('[')]).toEqual([name, kind !== undefined]);
    const theirs = kind ? other.ids[kind] : '';
    for (const who of ['anybody', 'revoked'] as const) {
      be(who);
      expect(await harmless(await openPage(load, theirs), [theirs])).toBe('to /sign-in');
    }
    be('owner');
    const came = await harmless(await openPage(load, theirs), [theirs]);
    if (kind) expect(came).toBe('404');
    else expect(came.slice(0, 4)).toMatch(/done|to/);
    for (const none of kind ? ['', 'x', '../../x', 'null', '\0', randomUUID()] : []) {
      expect([none, await harmless(await openPage(load, none))]).toEqual([none, '404']);
    }
  });
});

describe.each(PAGES.filter(([name]) => isOpen(name)))('the open page %s', (_, load) => {
  it('says nothing to whoever guesses', async () => {
    be('anybody');
    for (const guess of ['', 'x', randomUUID(), '\0']) {
      await harmless(await openPage(load, guess));
    }
  });
});

it('gets a page or none from every address', async () => {
  be('owner');
  const names = ['from', 'change', 'view', 'class', 'q', 'page', 'who', 'weeks', 'key', 'step'];
  const text = fc.constantFrom('', '\0', '\ud83d', '-1', '1e308', '0000-01-01', '99999-01-01', 'x');
  const search = fc.dictionary(fc.constantFrom(...names), fc.oneof(text, fc.array(text)));
  for (const [name, load] of PAGES) {
    const kind = PAGE_IDS[name];
    for (const asked of fc.sample(search, { numRuns: 20, seed: SEED })) {
      const came = await outcome(await openPage(load, kind ? mine.ids[kind] : 'x', asked));
      expect([name, asked, isFault(came) && came]).toEqual([name, asked, false]);
    }
  }
});
