/**
 * Whether a request comes from another site's page: its cookie alone must not be enough. Browsers say where a page is
 * from that changes something; what says nothing is no browser, and has no cookie that somebody else could use.
 */
export function isCrossSite(request: Request): boolean {
  const site = request.headers.get('sec-fetch-site');
  if (site !== null && site !== 'same-origin' && site !== 'none') return true;
  const origin = request.headers.get('origin');
  if (origin === null || request.method === 'GET') return false;
  const hosts = [request.headers.get('host'), request.headers.get('x-forwarded-host')];
  return !hosts.includes(URL.parse(origin)?.host ?? '');
}
