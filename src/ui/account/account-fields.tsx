import { Field } from '../kit/form';

/** A password that is chosen. */
export function NewPassword({ label = 'New password' }: { label?: string }) {
  return (
    <Field
      name="password"
      label={label}
      type="password"
      autoComplete="new-password"
      help="At least 10 characters; a short sentence is easy to keep."
    />
  );
}

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
      <NewPassword label="Password" />
    </>
  );
}
