import { expect, it, vi } from 'vitest';
import { z } from 'zod';
import { newId } from './new-id';

it('is a UUID that nobody else has, also where the page came over a plain connection', () => {
  vi.stubGlobal('crypto', { getRandomValues: crypto.getRandomValues.bind(crypto) });
  const ids = Array.from({ length: 2000 }, newId);
  for (const id of ids) expect(z.uuidv4().safeParse(id).success).toBe(true);
  expect(new Set(ids).size).toBe(ids.length);
  vi.unstubAllGlobals();
});
