import type { Metadata } from 'next';
import { db } from '@/server/db';
import { teachersOf } from '@/server/studio/teachers';
import { AccountScreen } from '@/ui/account/account-screen';
import { requireTeacher } from '../../auth';
import { changeEmailAction, changeNameAction, changePasswordAction } from './actions';

export const metadata: Metadata = { title: 'Your account' };

export default async function AccountPage() {
  const teacher = await requireTeacher();
  const me = (await teachersOf(db(), teacher)).find((t) => t.id === teacher.id);
  return (
    <AccountScreen
      name={teacher.name}
      email={me?.email ?? ''}
      changeName={changeNameAction}
      changeEmail={changeEmailAction}
      changePassword={changePasswordAction}
    />
  );
}
