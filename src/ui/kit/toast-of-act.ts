import { toast } from 'sonner';
import { toldOfAct } from './use-act';

/** Tells in passing that an action had no answer, where nothing was typed. @throws as `toldOfAct` does */
export const toastOfAct = (problem: unknown): void => {
  toast.error(toldOfAct(problem));
};
