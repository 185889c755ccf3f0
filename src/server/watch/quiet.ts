import { Refusal } from '@/core/calls';
import { isBrokenOff } from './broken-off';
import { errorFields, log } from './log';

type Say = (...what: unknown[]) => void;

/**
 * Says errors as the log says them, without their messages, and everything else as it is. The framework prints
 * every fault it meets with its message, which may quote what somebody typed. A refusal is no fault: it is told
 * where it was asked, and counted. Nor is it one where somebody goes away while they send.
 */
export const withoutMessages =
  (
    say: Say,
    told: (fields: Record<string, unknown>) => void = (f) => log().error(f, 'a fault'),
  ): Say =>
  (...what) => {
    const errors = what.filter((one) => one instanceof Error);
    if (errors.length === 0) say(...what);
    for (const error of errors) {
      if (!(error instanceof Refusal || isBrokenOff(error))) told(errorFields(error));
    }
  };
