import { mayWatch, metrics } from '@/server/watch/metrics';

/** What this process has counted, for a monitoring program that knows the token. */
export async function GET(request: Request): Promise<Response> {
  if (!mayWatch(request.headers.get('authorization'), process.env.UPBEAT_METRICS_TOKEN)) {
    return new Response('Not found.', { status: 404 });
  }
  const { registry } = metrics();
  return new Response(await registry.metrics(), {
    headers: { 'Content-Type': registry.contentType, 'Cache-Control': 'no-store' },
  });
}
