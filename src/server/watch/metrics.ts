import { createHash, timingSafeEqual } from 'node:crypto';
import { Counter, collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';

/** Numbers for whoever watches the server, in the text format of Prometheus. They name no studio and no person. */

interface Metrics {
  registry: Registry;
  calls: Histogram<'call' | 'status'>;
  refusals: Counter<'code'>;
  errors: Counter<'where'>;
  streams: Gauge;
  letters: Counter<'became'>;
}

function make(): Metrics {
  const registry = new Registry();
  const registers = [registry];
  collectDefaultMetrics({ register: registry, prefix: 'upbeat_' });
  return {
    registry,
    calls: new Histogram({
      name: 'upbeat_call_seconds',
      help: 'How long calls of the contract took, by call and status.',
      labelNames: ['call', 'status'],
      buckets: [0.005, 0.02, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10],
      registers,
    }),
    refusals: new Counter({
      name: 'upbeat_refusals_total',
      help: 'How often the server said no, by code.',
      labelNames: ['code'],
      registers,
    }),
    errors: new Counter({
      name: 'upbeat_errors_total',
      help: 'Faults that nobody expected, by what they happened in.',
      labelNames: ['where'],
      registers,
    }),
    streams: new Gauge({
      name: 'upbeat_open_streams',
      help: 'Live streams of led classes that are open now.',
      registers,
    }),
    letters: new Counter({
      name: 'upbeat_letters_total',
      help: 'Letters that were sent, only kept, or not taken by the mail server.',
      labelNames: ['became'],
      registers,
    }),
  };
}

/** The parts of a program are bundled on their own, and all of them count together. */
const shared = globalThis as { upbeatMetrics?: Metrics };

export function metrics(): Metrics {
  shared.upbeatMetrics ??= make();
  return shared.upbeatMetrics;
}

const hashed = (text: string) => createHash('sha256').update(text).digest();

/**
 * Whether somebody may read them: by the token that is configured, as a bearer. Without one nobody may.
 * @param authorization the header as it came
 */
export function mayWatch(authorization: string | null, token: string | undefined): boolean {
  if (!token || !authorization?.startsWith('Bearer ')) return false;
  return timingSafeEqual(hashed(authorization.slice(7)), hashed(token));
}
