import { unstable_isUnrecognizedActionError, unstable_rethrow } from 'next/navigation';
import {
  createContext,
  type FormEvent,
  startTransition,
  useActionState,
  useContext,
  useState,
} from 'react';
import { contentOf, Errands } from '@/browser/errand';
import { saidBy } from '@/core/calls/digest';
import { ERRAND } from '@/core/calls/errand';
import { ACTS } from '@/core/follow/words/acts-en';

/** What Next says of an answer that is not the application's: one of whoever stands before a server that is away. */
const NONE_OF_OURS = 'An unexpected response was received from the server.';
export const TYPED_STAYS = ACTS.stays;
/** What a page says of what it sends, where it is not in English. */
export const ActsSaid = createContext(ACTS);

/**
 * What a person reads where an action of a page had no answer of its own: what went wrong and what to do.
 * @param kept what has not been lost, as a sentence
 * @throws the problem itself where it is none, but leads to another page
 */
export function toldOfAct(problem: unknown, kept = '', words = ACTS): string {
  unstable_rethrow(problem);
  const told = (...sentences: string[]) => sentences.filter(Boolean).join(' ');
  if (unstable_isUnrecognizedActionError(problem)) {
    const copy = kept && words.copyFirst;
    return told(words.updated, kept, copy, words.openAnew);
  }
  if (problem instanceof Error && 'digest' in problem) {
    const said = saidBy(String(problem.digest));
    if (said) return told(said, kept);
    // The server says nothing of its faults but a number that its log has too.
    console.error(problem);
    return told(words.fault, kept, words.tryAgain);
  }
  // What stands before the application says in a sentence why it turned somebody away.
  if (problem instanceof Error && problem.name === 'Error' && problem.message !== NONE_OF_OURS) {
    return told(problem.message, kept);
  }
  return told(words.away, kept, words.perhapsDone);
}

/** Whether an action threw since it leads to another page, to which Next is on its way. */
export function leadsOn(problem: unknown): boolean {
  try {
    unstable_rethrow(problem);
    return false;
  } catch {
    return true;
  }
}

interface Acting<S> {
  initial: Awaited<S>;
  /** What is shown where no answer came, with what is told of that; what was typed is to stay. */
  unanswered: (state: Awaited<S>, problem: string, form: FormData) => S;
  /** What has not been lost then, as a sentence. */
  kept?: string;
}

/**
 * An action of a page whose answer may not come: the server is away, was updated meanwhile or has a fault. React alone
 * would put an error in the place of the whole page, and all that was typed would be gone. Sent again, it is the same
 * errand.
 */
export function useAct<S>(
  act: (state: Awaited<S>, form: FormData) => Promise<S>,
  { initial, unanswered, kept }: Acting<S>,
) {
  const words = useContext(ActsSaid);
  const [errands] = useState(() => new Errands());
  return useActionState<S, FormData>(async (state, form) => {
    try {
      return await errands.send(contentOf(form), (errand) => {
        form.set(ERRAND, errand);
        return act(state, form);
      });
    } catch (problem) {
      return unanswered(state, toldOfAct(problem, kept ?? words.stays, words), form);
    }
  }, initial);
}

/**
 * Actions that a page calls beside its forms: what is told of the last one, also where no answer came.
 * @returns how to tell of something, how to do something, and whether that is under way
 */
export function useCalledActs() {
  const [problem, tell] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const attempt = async (work: () => Promise<void>) => {
    setBusy(true);
    tell(null);
    try {
      await work();
    } catch (error) {
      tell(toldOfAct(error, TYPED_STAYS));
    } finally {
      setBusy(false);
    }
  };
  return { problem, tell, busy, attempt };
}

/** Sends a form by hand: one that sends itself is filled anew by React at every answer, and what was typed is lost. */
export const byHand = (action: (form: FormData) => void) => (event: FormEvent<HTMLFormElement>) => {
  event.preventDefault();
  const { submitter } = event.nativeEvent as SubmitEvent;
  const sent = new FormData(event.currentTarget, submitter);
  startTransition(() => action(sent));
};
