import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { dayLabel } from '@/core/formats';
import { isEmptyStudio } from '@/server/archive/import';
import { isPublic } from '@/server/auth/demo';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { demoStudioId } from '@/server/demo/seed';
import { holdingsOf } from '@/server/holdings/holdings';
import { awaitedToCome } from '@/server/sessions/bookings';
import { studioSettings } from '@/server/studio/studios';
import { invitedTo, leadsToCome, MOST_TEACHERS, teachersOf } from '@/server/studio/teachers';
import { StudioScreen } from '@/ui/studio/studio-screen';
import { requireTeacher } from '../../auth';
import { signUp } from '../../may-begin';
import * as act from './actions';

export const metadata: Metadata = { title: 'Your studio' };

export default async function StudioPage() {
  const teacher = await requireTeacher();
  if (teacher.role !== 'owner') redirect('/account');
  const [settings, teachers, leads, awaited, invited, demo, empty] = await Promise.all([
    studioSettings(db(), teacher),
    teachersOf(db(), teacher),
    leadsToCome(db(), teacher, now()),
    awaitedToCome(db(), teacher, now()),
    invitedTo(db(), teacher, now()),
    demoStudioId(db()),
    isEmptyStudio(db(), teacher.studioId),
  ]);
  const day = (ms: number) => dayLabel(ms, teacher.timeZone);
  return (
    <StudioScreen
      name={settings.name}
      timeZone={settings.timeZone}
      newClass={settings.newClass}
      runsMonths={settings.retention.runsMonths}
      recordingsMonths={settings.retention.recordingsMonths}
      demo={!isPublic() && demo !== undefined && demo !== teacher.studioId}
      empty={empty}
      me={teacher.id}
      teachers={teachers.map(({ since, ...of }) => ({
        ...of,
        since: day(since),
        leads: leads.get(of.id) ?? 0,
      }))}
      invited={invited.map(({ until, ...of }) => ({ ...of, until: day(until) }))}
      holdings={await holdingsOf(db(), teacher, teacher.id)}
      awaited={awaited}
      most={MOST_TEACHERS}
      invitesStudios={signUp() !== 'closed'}
      actions={{
        rename: act.renameAction,
        changeNewClass: act.changeNewClassAction,
        changeRetention: act.changeRetentionAction,
        removeDemo: act.removeDemoAction,
        remove: act.deleteStudioAction,
        invite: act.inviteAction,
        inviteStudio: act.inviteStudioAction,
        withdraw: act.withdrawAction,
        changeRole: act.changeRoleAction,
        removeTeacher: act.removeTeacherAction,
      }}
    />
  );
}
