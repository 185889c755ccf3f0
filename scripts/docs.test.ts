import { readFileSync } from 'node:fs';
import path from 'node:path';
import { expect, it } from 'vitest';
import { CHECKS } from '@/core/checks';
import { CAUTIONS_FILE, cautionsPage } from './cautions';

const page = readFileSync(path.join(import.meta.dirname, '..', 'docs', 'checks.md'), 'utf8');

it('the page of checks has every check with its severity, and no other', () => {
  const rows = [...page.matchAll(/^\| `([\w-]+)` +\| (must|should|may) +\|/gm)];
  const told = rows.map(([, id, severity]) => `${id} ${severity}`);
  expect(told.toSorted()).toEqual(CHECKS.map((c) => `${c.id} ${c.severity}`).toSorted());
});

it('the page of cautions is what the library and the rules say', () => {
  expect(readFileSync(CAUTIONS_FILE, 'utf8'), 'run: npm run cautions').toBe(cautionsPage());
});
