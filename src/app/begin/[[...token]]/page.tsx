import type { Metadata } from 'next';
import { LANGUAGE_NAMES, LANGUAGES, MAIN_LANGUAGE } from '@/core/language';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { findLink } from '@/server/studio/links';
import { AccountFields } from '@/ui/account/account-fields';
import { Door } from '@/ui/account/door';
import { ActionForm, Field } from '@/ui/kit/form';
import { Select } from '@/ui/kit/form-fields';
import { TimeZoneField } from '@/ui/kit/time-zone-field';
import { mayBegin } from '../../may-begin';
import { Spent } from '../../spent';
import { beginAction } from '../actions';

export const metadata: Metadata = { title: 'Make a studio' };

export default async function BeginPage({ params }: { params: Promise<{ token?: string[] }> }) {
  const token = (await params).token?.[0] ?? null;
  const link = token ? await findLink(db(), 'begin', { token, now: now() }) : null;
  if (!link && !(await mayBegin())) return <Spent what="make a studio" />;
  return (
    <Door title="Make your studio">
      <ActionForm act={beginAction.bind(null, link ? token : null)} submit="Make the studio">
        <Field name="studioName" label="Name of the studio" autoComplete="organization" />
        <TimeZoneField />
        <Select
          name="language"
          label="Language of your classes"
          options={LANGUAGES}
          names={LANGUAGE_NAMES}
          initial={MAIN_LANGUAGE}
        />
        <AccountFields email={link?.email ?? undefined} />
      </ActionForm>
    </Door>
  );
}
