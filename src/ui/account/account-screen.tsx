import { dayLabel, timeOfDay } from '@/core/formats';
import { ActionForm, ButtonForm, Field, type FormAct } from '../kit/form';
import { Page } from '../kit/page';
import { NewPassword } from './account-fields';
import { LockSection } from './lock-section';

/** A device on which the teacher is signed in; times in epoch ms. */
export interface DeviceShown {
  id: string;
  name: string;
  since: number;
  seen: number;
  /** Whether it is this one. */
  here: boolean;
}

export interface AccountScreenProps {
  name: string;
  email: string;
  changeName: FormAct;
  changeEmail: FormAct;
  changePassword: FormAct;
  /** The class that the teacher leads at this moment. */
  leads: string | null;
  devices: readonly DeviceShown[];
  timeZone: string;
  signOutDevice: FormAct;
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
  const led = props.leads !== null && (
    <p className="mb-3 font-medium">
      You lead “{props.leads}” at this moment. If the device that leads it is signed out, the class
      goes on there, but nothing of it is stored and nobody who follows hears of it until you sign
      in there again.
    </p>
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
          {led}
          <ActionForm act={props.changePassword} submit="Change the password">
            {current}
            <NewPassword />
          </ActionForm>
        </section>
        <LockSection />
        <section aria-labelledby="devices">
          <h2 id="devices" className="mb-3 text-xl font-semibold">
            Where you are signed in
          </h2>
          <p className="quiet mb-3">
            A device that you do not use for two weeks is signed out by itself, any other after a
            month.
          </p>
          {led}
          <ButtonForm act={props.signOutDevice} label="Devices">
            <ul className="grid gap-4">
              {props.devices.map(({ id, name, here, since, seen }) => (
                <li key={id} className="flex flex-wrap items-center justify-between gap-3">
                  <div>
                    <p className="font-semibold">
                      {name}
                      {here && ', this one'}
                    </p>
                    <p className="quiet text-sm">
                      Last seen {dayLabel(seen, props.timeZone)}, {timeOfDay(seen, props.timeZone)}.
                      Signed in {dayLabel(since, props.timeZone)}.
                    </p>
                  </div>
                  {!here && (
                    <button
                      type="submit"
                      name="device"
                      value={id}
                      className="btn btn-outline btn-sm"
                    >
                      Sign out<span className="sr-only"> of {name}</span>
                    </button>
                  )}
                </li>
              ))}
            </ul>
          </ButtonForm>
        </section>
      </div>
    </Page>
  );
}
