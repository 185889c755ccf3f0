import { toldOfAct } from './use-act';

/**
 * Tells in passing that an action had no answer, where nothing was typed. What shows it comes after the page
 * (`Toaster`); where that did not come, the page has said so.
 * @throws as `toldOfAct` does
 */
export async function toastOfAct(problem: unknown): Promise<void> {
  const told = toldOfAct(problem);
  try {
    const { toast } = await import('sonner');
    toast.error(told);
  } catch {
    console.error(told);
  }
}
