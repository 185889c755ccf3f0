import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { SignInForm } from '@/ui/sign-in/sign-in-form';
import { currentTeacher } from '../auth';
import { enterDemo, signInAction } from './actions';

export const metadata: Metadata = { title: 'Sign in' };

export default async function SignInPage() {
  if (await currentTeacher()) redirect('/');
  return (
    <SignInForm
      signIn={signInAction}
      enterDemo={process.env.UPBEAT_DEMO === '1' ? enterDemo : undefined}
    />
  );
}
