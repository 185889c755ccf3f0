/** Whether a program is not there; a file that is missing is another fault. */
export const isMissing = (problem: unknown): boolean => {
  const { code, syscall } = (problem ?? {}) as NodeJS.ErrnoException;
  return code === 'ENOENT' && syscall?.startsWith('spawn') === true;
};
