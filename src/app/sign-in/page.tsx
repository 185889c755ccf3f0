import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { demoIsOn, isPublic } from '@/server/auth/demo';
import { db } from '@/server/db';
import { demoStudioId } from '@/server/demo/seed';
import { SignInForm } from '@/ui/sign-in/sign-in-form';
import { currentTeacher } from '../auth';
import { mayBegin } from '../may-begin';
import { enterDemo, signInAction } from './actions';

export const metadata: Metadata = { title: 'Sign in' };

export default async function SignInPage() {
  if (await currentTeacher()) redirect('/');
  const demo = demoIsOn() && (isPublic() || (await demoStudioId(db())) !== undefined);
  return (
    <SignInForm
      signIn={signInAction}
      mayBegin={await mayBegin()}
      enterDemo={demo ? enterDemo : undefined}
    />
  );
}
