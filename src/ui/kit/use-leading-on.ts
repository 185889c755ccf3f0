import { useRouter } from 'next/navigation';
import type { FormAct, FormState } from './form';
import { toastDone } from './toast-done';

/**
 * An action after which another page is shown, where what was done is said until it is shut. Where it cannot be said
 * there, it stands in the form, and the page stays.
 * @param to where an answer leads; nowhere where it is nothing
 */
export function useLeadingOn<S extends FormState>(
  act: FormAct<S>,
  to: (answer: S) => string | undefined,
): FormAct<S> {
  const router = useRouter();
  return async (state, form) => {
    const answer = await act(state, form);
    const next = answer.done ? to(answer) : undefined;
    if (next && answer.done && (await toastDone(answer.done))) router.push(next);
    return answer;
  };
}
