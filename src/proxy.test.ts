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
