import pino, { type Logger } from 'pino';

/**
 * One line of JSON for each thing that operators of a server have to know. It names calls, studios by id and
 * refusals by code; never people, words that were typed, addresses or what a request carried.
 */

const LEVELS = ['debug', 'info', 'warn', 'error', 'silent'] as const;

/** How much is told: what went wrong where nothing is said, every call with "info". */
function level(): string {
  const asked = process.env.UPBEAT_LOG ?? 'warn';
  return (LEVELS as readonly string[]).includes(asked) ? asked : 'warn';
}

/** The parts of a program are bundled on their own, and all of them share one. */
const shared = globalThis as { upbeatLog?: Logger };

export function log(): Logger {
  shared.upbeatLog ??= pino({ level: level(), timestamp: pino.stdTimeFunctions.isoTime });
  return shared.upbeatLog;
}

/**
 * What is told of an error: what kind it is, its code and where it was thrown. Its message may quote what
 * somebody typed, so that is left out.
 */
export function errorFields(error: unknown): Record<string, unknown> {
  if (!(error instanceof Error)) return { error: typeof error };
  const { code } = error as { code?: unknown };
  const frames = (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line));
  return {
    error: error.name,
    ...(typeof code === 'string' && /^[\w-]{1,40}$/.test(code) && { code }),
    at: frames.slice(0, 8).map((line) => line.trim()),
  };
}
