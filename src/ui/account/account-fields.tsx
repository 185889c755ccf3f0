import { Field } from '../kit/form';

export const PASSWORD_HELP = 'At least 10 characters; a short sentence is easy to keep.';

/** A name, an email and a new password. */
export function AccountFields({ email }: { email?: string }) {
  return (
    <>
      <Field name="name" label="Your name" autoComplete="name" />
      <Field
        name="email"
        label="Email"
        type="email"
        autoComplete="username"
        initial={email}
        help="You sign in with it."
      />
      <Field
        name="password"
        label="Password"
        type="password"
        autoComplete="new-password"
        help={PASSWORD_HELP}
      />
    </>
  );
}
