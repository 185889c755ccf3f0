import { NextRequest } from 'next/server';
import { afterAll, beforeEach, expect, it, vi } from 'vitest';
import { config, proxy } from './proxy';
import { signInAs, signOut } from './server/auth/sign-ins';
import { db } from './server/db';
import { makeStudio, testDatabase, testDatabaseUrl } from './server/testing/studio';

const stored = testDatabase();
beforeEach(() => vi.stubEnv('DATABASE_URL', testDatabaseUrl()));
afterAll(() => db().destroy());

const policyOf = async (path = '/') => {
  const response = await proxy(new NextRequest(`http://hall.example${path}`));
  return response.headers.get('Content-Security-Policy') ?? '';
};
const nonceOf = (policy: string) => /'nonce-([\w+/=]+)'/.exec(policy)?.[1];

it('gives every page a nonce of its own, and the page is told the same one', async () => {
  const response = await proxy(new NextRequest('http://hall.example/'));
  const policy = response.headers.get('Content-Security-Policy') ?? '';
  expect(response.headers.get('x-middleware-request-content-security-policy')).toBe(policy);
  expect(nonceOf(policy)?.length).toBeGreaterThan(20);
  expect(nonceOf(await policyOf())).not.toBe(nonceOf(policy));
});

it('lets no script run that has not the nonce, and nothing be framed or sent elsewhere', async () => {
  vi.stubEnv('NODE_ENV', 'production');
  const policy = await policyOf();
  const scripts = /script-src ([^;]*)/.exec(policy)?.[1] ?? '';
  expect(scripts).not.toMatch(/unsafe|\*|https?:/);
  for (const rule of ["frame-ancestors 'none'", "object-src 'none'", "form-action 'self'"]) {
    expect(policy).toContain(rule);
  }
  vi.unstubAllEnvs();
});

it('leaves out only what is no page', () => {
  const matcher = new RegExp(`^${config.matcher}$`);
  for (const path of ['/', '/classes', '/apiary', '/lead/1', '/_next/data']) {
    expect(matcher.test(path), path).toBe(true);
  }
  for (const path of [
    '/_next/static/a.js',
    '/_next/image',
    '/icon.svg',
    '/api/archive',
    '/api/voice',
  ]) {
    expect(matcher.test(path), path).toBe(false);
  }
});

it('takes no form that is larger than what anybody has a reason to send', async () => {
  const { teacherId } = await makeStudio(stored());
  const token = await signInAs(stored(), teacherId, Date.now());
  const sent = async (length: number | null, of: { path?: string; cookie?: string } = {}) => {
    const headers = new Headers();
    if (length === null) headers.set('transfer-encoding', 'chunked');
    else headers.set('content-length', String(length));
    if (of.cookie) headers.set('cookie', of.cookie);
    const url = `http://hall.example${of.path ?? '/sign-in'}`;
    return (await proxy(new NextRequest(url, { method: 'POST', headers }))).status;
  };
  for (const [length, status] of [
    [1000, 200],
    [64_000, 200],
    [64_001, 413],
    [4_900_000, 413],
    [null, 413],
  ] as const) {
    expect(await sent(length), String(length)).toBe(status);
  }
  for (const [address, name] of [
    ['https://upbeat.example', '__Host-upbeat_sign_in'],
    ['http://upbeat.example', 'upbeat_sign_in'],
  ] as const) {
    vi.stubEnv('UPBEAT_URL', address);
    const cookie = `${name}=${token}`;
    for (const [length, path, status] of [
      [64_001, '/', 200],
      [256_000, '/people', 200],
      [256_001, '/people', 413],
      [3_000_000, '/classes', 200],
      [3_000_000, '/calendar/bring', 200],
      [3_000_000, '/people/take-in', 200],
      [3_000_001, '/classes', 413],
    ] as const) {
      expect(await sent(length, { cookie, path }), `${length} ${path}`).toBe(status);
    }
    // One that somebody has made up opens nothing.
    expect(await sent(64_001, { cookie: `${name}=made-up` })).toBe(413);
  }
  await signOut(stored(), token, Date.now());
  expect(await sent(64_001, { cookie: `upbeat_sign_in=${token}` })).toBe(413);
});

it('asks browsers for https from now on only where people come by https', async () => {
  const hsts = async () =>
    (await proxy(new NextRequest('http://hall.example/'))).headers.get('Strict-Transport-Security');
  expect(await hsts()).toBeNull();
  vi.stubEnv('UPBEAT_URL', 'https://upbeat.example');
  expect(await hsts()).toContain('max-age=');
  vi.unstubAllEnvs();
});
