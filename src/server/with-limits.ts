/** What a shell ends with that does not find a program. */
export const NOT_FOUND = 127;

export interface Limits {
  /** Of the processor, in seconds. */
  cpuSeconds: number;
  /** Of memory, with what is only set aside. */
  kilobytes: number;
  /** How much it gives way to all else that the machine does: 0 not at all, 19 to everything. */
  nice: number;
}

/**
 * A program that is not trusted, or reads what strangers bring, with what it may take of the machine: the shell sets the
 * limits and then becomes the program; arguments are never read as commands. Where there is no such program, it ends with
 * `NOT_FOUND`.
 */
export const withLimits = (
  command: readonly string[],
  { cpuSeconds, kilobytes, nice }: Limits,
): [program: string, args: string[]] => {
  const limits = `ulimit -t ${cpuSeconds}; ulimit -v ${kilobytes}; ulimit -c 0; exec nice -n "$0" "$@"`;
  return ['/bin/sh', ['-c', limits, String(nice), ...command]];
};
