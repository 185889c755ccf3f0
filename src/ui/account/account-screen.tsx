import { ActionForm, Field, type FormAct } from '../kit/form';
import { Page } from '../kit/page';
import { NewPassword } from './account-fields';

export interface AccountScreenProps {
  name: string;
  email: string;
  changeName: FormAct;
  changeEmail: FormAct;
  changePassword: FormAct;
}

/** A teacher's own account. */
export function AccountScreen(props: AccountScreenProps) {
  const current = (
    <Field
      name="current"
      label="Your password now"
      type="password"
      autoComplete="current-password"
    />
  );
  return (
    <Page title="Your account">
      <div className="grid max-w-lg gap-10">
        <section aria-labelledby="name">
          <h2 id="name" className="mb-3 text-xl font-semibold">
            Name
          </h2>
          <ActionForm act={props.changeName} submit="Change the name">
            <Field name="name" label="Your name" autoComplete="name" initial={props.name} />
          </ActionForm>
        </section>
        <section aria-labelledby="email">
          <h2 id="email" className="mb-3 text-xl font-semibold">
            Email
          </h2>
          <ActionForm act={props.changeEmail} submit="Change the email">
            <Field
              name="email"
              label="Email"
              type="email"
              autoComplete="username"
              initial={props.email}
            />
            {current}
          </ActionForm>
        </section>
        <section aria-labelledby="password">
          <h2 id="password" className="mb-3 text-xl font-semibold">
            Password
          </h2>
          <p className="quiet mb-3">
            All your devices have to sign in anew with it, but for this one.
          </p>
          <ActionForm act={props.changePassword} submit="Change the password">
            {current}
            <NewPassword />
          </ActionForm>
        </section>
      </div>
    </Page>
  );
}
