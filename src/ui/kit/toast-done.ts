/** Of what is said in passing, that which somebody has to do something about: it stays until it is shut. */
export const UNTIL_SHUT = { duration: Number.POSITIVE_INFINITY, closeButton: true } as const;

/**
 * Says what was done, where the page does not show it.
 * @returns whether it was said: what shows it comes after the page (`Toaster`), and may not come
 */
export async function toastDone(done: string): Promise<boolean> {
  try {
    const { toast } = await import('sonner');
    toast.success(done, UNTIL_SHUT);
    return true;
  } catch {
    return false;
  }
}
