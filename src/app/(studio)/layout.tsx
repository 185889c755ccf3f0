import type { ReactNode } from 'react';
import { StudioHeader } from '@/ui/kit/studio-header';
import { requireTeacher } from '../auth';
import { switchLookAction } from '../look-action';
import { signOutAction, signOutEverywhereAction } from '../sign-in/actions';

export default async function StudioLayout({ children }: { children: ReactNode }) {
  const teacher = await requireTeacher();
  return (
    <>
      <StudioHeader
        studioName={teacher.studioName}
        teacherName={teacher.name}
        switchLook={switchLookAction}
        signOut={signOutAction}
        signOutEverywhere={signOutEverywhereAction}
      />
      {children}
    </>
  );
}
