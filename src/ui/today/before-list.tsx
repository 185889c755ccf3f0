'use client';

import clsx from 'clsx';
import { Link } from '../kit/link';
import { useAct } from '../kit/use-act';

/** Something to know or to settle before a class. */
export interface BeforeLine {
  key: string;
  /** Whether somebody could be hurt by it, whether it wants a word, or whether it is good to know. */
  weight: 'must' | 'word' | 'know';
  says: string;
  /** The one press that settles it, or where it is settled. */
  act:
    | { name: 'repair' | 'answered' | 'seen'; value: string; label: string }
    | { href: string; label: string };
}

export interface Settled {
  done: string | null;
  problem: string | null;
}

export type Settle = (state: Settled, form: FormData) => Promise<Settled>;

const BARS = { must: 'border-error', word: 'border-accent', know: 'border-base-300' };
const NUMBERS = ['none', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'];
const number = (n: number) => NUMBERS[n] ?? String(n);

function summary(lines: readonly BeforeLine[]): string {
  const needed = lines.filter((line) => line.weight === 'must').length;
  const later = lines.length - needed;
  const parts = [
    needed > 0 && `${number(needed)} ${needed === 1 ? 'needs' : 'need'} you`,
    later > 0 && `${number(later)} ${later === 1 ? 'is' : 'are'} good to know`,
  ].filter(Boolean);
  return parts.join(', ') || 'nothing is left to settle';
}

/** What is to be settled before a class, each with one press. */
export function BeforeList({ lines, settle }: { lines: readonly BeforeLine[]; settle: Settle }) {
  const [state, action, pending] = useAct<Settled>(settle, {
    initial: { done: null, problem: null },
    unanswered: (_, problem) => ({ done: null, problem }),
    kept: '',
  });
  return (
    <section aria-labelledby="before">
      <h2 id="before" className="text-xl font-semibold">
        Before you lead it
      </h2>
      <p className="quiet mb-1.5">{summary(lines)}</p>
      <form action={action}>
        <ul className="grid gap-2">
          {lines.map(({ key, weight, says, act }) => (
            <li
              key={key}
              className={clsx('flex items-start gap-4 border-l-4 py-1 pl-2.5', BARS[weight])}
            >
              <span className="min-w-0 flex-1">
                {weight === 'must' && <span className="sr-only">Must be settled: </span>}
                {says}
              </span>
              {'href' in act ? (
                <Link href={act.href} className="link shrink-0 text-sm font-semibold">
                  {act.label}
                </Link>
              ) : (
                <button
                  type="submit"
                  name={act.name}
                  value={act.value}
                  disabled={pending}
                  aria-label={`${act.label}: ${says}`}
                  className="link max-w-32 shrink-0 text-right text-sm font-semibold"
                >
                  {act.label}
                </button>
              )}
            </li>
          ))}
        </ul>
        {state.problem && (
          <p role="alert" className="text-error mt-2 font-medium">
            {state.problem}
          </p>
        )}
        <p role="status" className="mt-2 font-medium empty:hidden">
          {state.done}
        </p>
      </form>
    </section>
  );
}
