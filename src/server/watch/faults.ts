import { Refusal } from '@/core/calls';
import { isBrokenOff } from './broken-off';
import { errorFields, log } from './log';
import { metrics } from './metrics';

/**
 * Counts and tells a fault that nobody expected, in a page, an action or a handler: with its route, not with its
 * address. What is refused is counted alone: it was told where it was asked. Of whoever broke off
 * there is nothing to tell.
 */
export function noteFault(
  error: unknown,
  { route, in: where }: { route: string; in: string },
): void {
  if (error instanceof Refusal) {
    metrics().refusals.inc({ code: error.code });
    return;
  }
  if (isBrokenOff(error)) return;
  metrics().errors.inc({ where });
  log().error({ route, in: where, ...errorFields(error) }, 'a request failed');
}
