import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { LIBRARY_BOOK } from '@library';
import { planOf } from '@testing/plans';
import { expect, it } from 'vitest';
import { compile } from '../score';
import { addressOf, CALLS, REFUSALS, Refusal, scoresSchema } from '.';

const API = path.join(import.meta.dirname, '..', '..', 'app', 'api');

/** What the route handlers answer to, as `GET /api/...`, with the call that each of them names. */
function routes(): [served: string, call: string][] {
  return readdirSync(API, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('route.ts'))
    .flatMap((file) => {
      const text = readFileSync(path.join(API, file), 'utf8');
      const found = text.matchAll(
        /^export const (\w+) = answering(?:Follower|Owner)?\(\s*CALLS\.(\w+)/gm,
      );
      return [...found].map(([, method, call = '']): [string, string] => [
        `${method} /api/${path.dirname(file)}`,
        call,
      ]);
    });
}

it('has a handler for every call, under its method and address, and no handler without a call', () => {
  const calls = Object.entries(CALLS).map(([name, { method, path: at }]) => [
    `${method} ${at}`,
    name,
  ]);
  expect(routes().sort()).toEqual(calls.sort());
});

it('knows a refusal of another part of the program, and takes nothing else for one', async () => {
  const apart = './refusals.ts?bundled-apart';
  const other: typeof import('./refusals') = await import(apart);
  expect(other.Refusal).not.toBe(Refusal);
  expect(new other.Refusal('not-found', 'class')).toBeInstanceOf(Refusal);
  const alike = Object.assign(new Error('Not found.'), { code: 'not-found', digest: '1' });
  expect(alike).not.toBeInstanceOf(Refusal);
});

it('puts ids and queries into addresses so that nothing in them can lead elsewhere', () => {
  expect(addressOf(CALLS.readClass, '../moves?x')).toBe('/api/classes/..%2Fmoves%3Fx');
  expect(addressOf(CALLS.hear, undefined, { text: 'a & b', language: 'en', rate: 150 })).toBe(
    '/api/speech?text=a+%26+b&language=en&rate=150',
  );
  expect(addressOf(CALLS.takeLead, 'x', { device: 'y' })).toBe('/api/runs/x/lead');
  expect(addressOf(CALLS.exportInsight, undefined, { key: 'y', classId: undefined })).toBe(
    '/api/insights?key=y',
  );
});

it('says what it is about as it is written, whatever signs are in it', () => {
  expect(new Refusal('move-in-use', 'Choir $& $1').message).toBe(
    'This move is used in Choir $& $1. Take it out there first.',
  );
});

it('says what to do in every refusal, with a status that browsers take as one', () => {
  for (const [code, [status, says]] of Object.entries(REFUSALS)) {
    expect(status, code).toBeGreaterThanOrEqual(400);
    expect(says, code).toMatch(/^(\{\}|[A-Z].*\.)$/);
  }
});

it('carries a score whole', () => {
  const score = compile(
    planOf([{ move: 'chin-over-shoulder' }, { move: 'slow-belly-breaths' }]),
    LIBRARY_BOOK,
  );
  const sent = JSON.parse(JSON.stringify({ score, easier: null }));
  expect(scoresSchema.parse(sent)).toEqual({ score, easier: null, made: 0 });
  const { steps } = sent.score;
  steps[0].kind = 'nap';
  expect(scoresSchema.safeParse(sent).success).toBe(false);
});
