import type { Metadata } from 'next';
import { Door } from '@/ui/account/door';
import { ActionForm, Field } from '@/ui/kit/form';
import { Link } from '@/ui/kit/link';
import { forgotAction } from './actions';

export const metadata: Metadata = { title: 'A new password' };

export default function ForgotPage() {
  return (
    <Door title="A new password">
      <ActionForm act={forgotAction} submit="Send me a link">
        <Field name="email" label="Email" type="email" autoComplete="username" />
      </ActionForm>
      <p className="mt-6">
        <Link href="/sign-in" className="link">
          Back to sign in
        </Link>
      </p>
    </Door>
  );
}
