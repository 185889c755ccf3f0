import { Refusal } from '@/core/calls';
import { errorFields, log } from './log';

type Say = (...what: unknown[]) => void;

/**
 * Says errors as the log says them, without their messages, and everything else as it is. The framework prints
 * every fault it meets with its message, which may quote what somebody typed. A refusal is no fault: it is told
 * where it was asked, and counted.
 */
export const withoutMessages =
  (
    say: Say,
    told: (fields: Record<string, unknown>) => void = (f) => log().error(f, 'a fault'),
  ): Say =>
  (...what) => {
    const errors = what.filter((one) => one instanceof Error);
    if (errors.length === 0) say(...what);
    for (const error of errors) if (!(error instanceof Refusal)) told(errorFields(error));
  };
