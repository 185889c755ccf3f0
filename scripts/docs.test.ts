import { readFileSync } from 'node:fs';
import path from 'node:path';
import { expect, it } from 'vitest';
import { CHECKS } from '@/core/checks';

const page = readFileSync(path.join(import.meta.dirname, '..', 'docs', 'checks.md'), 'utf8');

it('the page of checks has every check with its severity, and no other', () => {
  const rows = [...page.matchAll(/^\| `([\w-]+)` +\| (must|should|may) +\|/gm)];
  const told = rows.map(([, id, severity]) => `${id} ${severity}`);
  expect(told.toSorted()).toEqual(CHECKS.map((c) => `${c.id} ${c.severity}`).toSorted());
});
