import type { Metadata } from 'next';
import { signInsOf } from '@/server/auth/sign-ins';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { ledNow } from '@/server/studio/studios';
import { teachersOf } from '@/server/studio/teachers';
import { AccountScreen } from '@/ui/account/account-screen';
import { requireTeacher, signInToken } from '../../auth';
import {
  changeEmailAction,
  changeNameAction,
  changePasswordAction,
  signOutDeviceAction,
} from './actions';

export const metadata: Metadata = { title: 'Your account' };

export default async function AccountPage() {
  const teacher = await requireTeacher();
  const me = (await teachersOf(db(), teacher)).find((t) => t.id === teacher.id);
  const asked = { token: (await signInToken()) ?? '', now: now() };
  const led = await ledNow(db(), teacher, { teacherId: teacher.id, now: asked.now });
  return (
    <AccountScreen
      name={teacher.name}
      email={me?.email ?? ''}
      changeName={changeNameAction}
      changeEmail={changeEmailAction}
      changePassword={changePasswordAction}
      leads={led?.className ?? null}
      devices={await signInsOf(db(), teacher.id, asked)}
      timeZone={teacher.timeZone}
      signOutDevice={signOutDeviceAction}
    />
  );
}
