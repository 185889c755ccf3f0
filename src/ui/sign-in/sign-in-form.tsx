'use client';

import { useEffect } from 'react';
import { forgetStages } from '@/browser/kept-stage';
import { FaceDial } from '../kit/face-dial';
import { Link } from '../kit/link';
import { Logo } from '../kit/logo';
import { byHand, useAct } from '../kit/use-act';

export interface SignInState {
  email: string;
  error: string | null;
}

export interface SignInFormProps {
  signIn: (state: SignInState, form: FormData) => Promise<SignInState>;
  /** Enters the demo studio; missing where there is none. */
  enterDemo?: (said: string | null) => Promise<string | null>;
  /** Whether whoever looks at it may make a studio. */
  mayBegin: boolean;
}

export function SignInForm({ signIn, enterDemo, mayBegin }: SignInFormProps) {
  const [state, action, pending] = useAct<SignInState>(signIn, {
    initial: { email: '', error: null },
    unanswered: (before, error) => ({ ...before, error }),
  });
  // Whoever signs in next does not find the people of who was here before.
  useEffect(() => void forgetStages(), []);
  return (
    // Where it fills a phone it begins at the top: in the middle, it would move up as more of the page comes.
    <main className="mx-auto grid min-h-dvh max-w-4xl items-center gap-10 p-6 max-md:items-start max-md:pt-16 md:grid-cols-2">
      <div className="text-center max-md:hidden">
        <FaceDial
          size={420}
          fill={{ upperCheeks: 0.7, forehead: 0.4, mouth: 0.5, temples: 0.5, chest: 0.3 }}
          label="A face drawn in lines, at ease"
          className="mx-auto"
        />
      </div>
      <div>
        <p className="font-display flex items-center gap-2 text-2xl font-bold">
          <Logo size={36} /> Up Beat
        </p>
        <h1 className="mt-6 text-3xl font-bold">Sign in to your studio</h1>
        <p className="quiet mt-2">
          Every move has its upbeat. The promised minutes are the real ones.
        </p>
        <form action={action} onSubmit={byHand(action)} className="mt-6 grid gap-4">
          <label className="grid gap-1">
            <span className="font-medium">Email</span>
            <input
              name="email"
              type="email"
              autoComplete="username"
              required
              defaultValue={state.email}
              key={state.email}
              className="input w-full"
            />
          </label>
          <label className="grid gap-1">
            <span className="font-medium">Password</span>
            <input
              name="password"
              type="password"
              autoComplete="current-password"
              required
              className="input w-full"
            />
          </label>
          {state.error && (
            <p role="alert" className="text-error font-medium">
              {state.error}
            </p>
          )}
          <button type="submit" className="btn btn-primary" disabled={pending}>
            Sign in
          </button>
          <Link href="/forgot" className="link justify-self-start text-sm">
            Forgotten your password?
          </Link>
        </form>
        {mayBegin && (
          <p className="border-base-300 mt-6 border-t pt-6">
            <Link href="/begin" className="btn btn-outline w-full">
              Make a studio of your own
            </Link>
          </p>
        )}
        {enterDemo && <DemoDoor enter={enterDemo} />}
      </div>
    </main>
  );
}

function DemoDoor({ enter }: { enter: NonNullable<SignInFormProps['enterDemo']> }) {
  const [refused, action, pending] = useAct<string | null>(enter, {
    initial: null,
    unanswered: (_, problem) => problem,
    kept: '',
  });
  return (
    <form action={action} className="border-base-300 mt-6 border-t pt-6">
      <button type="submit" className="btn btn-outline w-full" disabled={pending}>
        Enter the demo studio
      </button>
      <p className="quiet mt-2 text-sm">
        An invented community hall with classes, people and eight weeks of sessions.
      </p>
      {refused && (
        <p role="alert" className="text-error mt-2 font-medium">
          {refused}
        </p>
      )}
    </form>
  );
}
