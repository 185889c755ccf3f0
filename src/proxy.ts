import { type NextRequest, NextResponse } from 'next/server';

/** Every page gets a fresh nonce; scripts without it do not run. Styles may be inline, scripts never. */
function policy(nonce: string): string {
  const evaluating = process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : '';
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${evaluating}`,
    "worker-src 'self'",
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "media-src 'self' blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "object-src 'none'",
    "base-uri 'self'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}

export function proxy(request: NextRequest): NextResponse {
  const csp = policy(btoa(crypto.randomUUID()));
  const headers = new Headers(request.headers);
  headers.set('Content-Security-Policy', csp);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('Content-Security-Policy', csp);
  return response;
}

/** An archive is no page, and may be larger than what the proxy keeps of a body. */
export const config = { matcher: '/((?!_next/static|_next/image|icon.svg|api/archive).*)' };
