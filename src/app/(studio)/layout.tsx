import type { ReactNode } from 'react';
import { SendsWaiting } from '@/ui/kit/sends-waiting';
import { StudioHeader } from '@/ui/kit/studio-header';
import { requireTeacher } from '../auth';
import { switchThemeAction } from '../theme-action';

export default async function StudioLayout({ children }: { children: ReactNode }) {
  const teacher = await requireTeacher();
  return (
    <>
      <StudioHeader
        studioName={teacher.studioName}
        teacherName={teacher.name}
        owner={teacher.role === 'owner'}
        switchTheme={switchThemeAction}
      />
      {children}
      <SendsWaiting studioId={teacher.studioId} />
    </>
  );
}
