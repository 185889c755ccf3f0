import { NextRequest } from 'next/server';
import { expect, it, vi } from 'vitest';
import { config, proxy } from './proxy';

const policyOf = (path = '/') => {
  const response = proxy(new NextRequest(`http://hall.example${path}`));
  return response.headers.get('Content-Security-Policy') ?? '';
};
const nonceOf = (policy: string) => /'nonce-([\w+/=]+)'/.exec(policy)?.[1];

it('gives every page a nonce of its own, and the page is told the same one', () => {
  const response = proxy(new NextRequest('http://hall.example/'));
  const policy = response.headers.get('Content-Security-Policy') ?? '';
  expect(response.headers.get('x-middleware-request-content-security-policy')).toBe(policy);
  expect(nonceOf(policy)?.length).toBeGreaterThan(20);
  expect(nonceOf(policyOf())).not.toBe(nonceOf(policy));
});

it('lets no script run that has not the nonce, and nothing be framed or sent elsewhere', () => {
  vi.stubEnv('NODE_ENV', 'production');
  const policy = policyOf();
  const scripts = /script-src ([^;]*)/.exec(policy)?.[1] ?? '';
  expect(scripts).not.toMatch(/unsafe|\*|https?:/);
  for (const rule of ["frame-ancestors 'none'", "object-src 'none'", "form-action 'self'"]) {
    expect(policy).toContain(rule);
  }
  vi.unstubAllEnvs();
});

it('leaves out only what is no page', () => {
  const matcher = new RegExp(`^${config.matcher}$`);
  for (const path of ['/', '/classes', '/api/voice', '/lead/1', '/_next/data']) {
    expect(matcher.test(path), path).toBe(true);
  }
  for (const path of ['/_next/static/a.js', '/_next/image', '/icon.svg', '/api/archive']) {
    expect(matcher.test(path), path).toBe(false);
  }
});

it('takes no form that is larger than what anybody has a reason to send', () => {
  const sent = (length: number | null, of: { path?: string; cookie?: string } = {}) => {
    const headers = new Headers();
    if (length === null) headers.set('transfer-encoding', 'chunked');
    else headers.set('content-length', String(length));
    if (of.cookie) headers.set('cookie', `${of.cookie}=x`);
    const url = `http://hall.example${of.path ?? '/sign-in'}`;
    return proxy(new NextRequest(url, { method: 'POST', headers })).status;
  };
  expect([sent(1000), sent(64_000), sent(64_001), sent(4_900_000)]).toEqual([200, 200, 413, 413]);
  expect(sent(null)).toBe(413);
  for (const cookie of ['upbeat_sign_in', '__Host-upbeat_sign_in']) {
    expect([sent(64_001, { cookie }), sent(3_000_001, { cookie })]).toEqual([200, 413]);
  }
  // A call of the contract says for itself what it takes.
  expect(sent(100_000, { path: '/api/recordings' })).toBe(200);
});

it('asks browsers for https from now on only where people come by https', () => {
  const hsts = () =>
    proxy(new NextRequest('http://hall.example/')).headers.get('Strict-Transport-Security');
  expect(hsts()).toBeNull();
  vi.stubEnv('UPBEAT_URL', 'https://upbeat.example');
  expect(hsts()).toContain('max-age=');
  vi.unstubAllEnvs();
});
