'use client';

import { ROLES, type Role } from '@/core/studio';
import { ActionForm, Field, type FormAct } from '../kit/form';
import { Select } from '../kit/form-fields';
import { PressForm } from '../kit/press-form';
import { SureButton } from '../kit/sure-button';

export const ROLE_NAMES: Record<Role, string> = { owner: 'Owner', teacher: 'Teacher' };

type Act = (form: FormData) => Promise<void>;

export interface TeacherActions {
  invite: FormAct;
  inviteStudio: FormAct;
  withdraw: Act;
  changeRole: Act;
  removeTeacher: Act;
}

export interface TeachersSectionProps {
  /** Id of whoever looks at it. */
  me: string;
  teachers: {
    id: string;
    name: string;
    email: string;
    role: Role;
    since: string;
    /** How many sessions to come they lead. */
    leads: number;
  }[];
  invited: { id: string; email: string; role: Role; until: string }[];
  /** Most teachers that a studio may have. */
  most: number;
  /** Whether somebody may be invited to make a studio of their own. */
  invitesStudios: boolean;
  actions: TeacherActions;
}

/** What becomes of what a teacher has, where they are removed. */
function leaves({ name, leads }: TeachersSectionProps['teachers'][number]): string {
  const goes = `${name} is signed out everywhere, and what they recorded in their own voice is gone for good. Classes, sessions and registers stay.`;
  if (leads === 0) return goes;
  const sessions = leads === 1 ? '1 session' : `${leads} sessions`;
  return `${goes} Nobody is named to lead ${sessions} to come that they would have led.`;
}

/** Who teaches in the studio, and who was invited to. */
export function TeachersSection({
  me,
  teachers,
  invited,
  most,
  invitesStudios,
  actions,
}: TeachersSectionProps) {
  const owners = teachers.filter((t) => t.role === 'owner').length;
  return (
    <section aria-labelledby="teachers">
      <h2 id="teachers" className="mb-1 text-xl font-semibold">
        Teachers
      </h2>
      <p className="quiet mb-3">
        Owners change the studio and its teachers; everybody plans, leads and keeps registers.{' '}
        {most} at most, those invited among them.
      </p>
      <ul className="divide-base-300 border-base-300 divide-y border-y">
        {teachers.map((t) => (
          <li key={t.id} className="flex flex-wrap items-center gap-x-4 gap-y-2 py-2.5">
            <span className="min-w-40 flex-1">
              <span className="font-medium">{t.name}</span>
              {t.id === me && ' (you)'}
              <span className="quiet block text-sm">
                {t.email}, {ROLE_NAMES[t.role].toLowerCase()} since {t.since}
              </span>
            </span>
            {(t.role === 'teacher' || owners > 1) && (
              <PressForm act={actions.changeRole}>
                <input type="hidden" name="id" value={t.id} />
                <input type="hidden" name="role" value={t.role === 'owner' ? 'teacher' : 'owner'} />
                <button
                  type="submit"
                  className="btn btn-ghost btn-sm"
                  aria-label={`Make ${t.name} ${t.role === 'owner' ? 'a teacher' : 'an owner'}`}
                >
                  {t.role === 'owner' ? 'Make a teacher' : 'Make an owner'}
                </button>
              </PressForm>
            )}
            {t.id !== me && (
              <PressForm act={actions.removeTeacher}>
                <input type="hidden" name="id" value={t.id} />
                <SureButton
                  className="btn btn-ghost btn-sm"
                  label={`Remove ${t.name}; their classes stay`}
                  title={`Remove ${t.name}?`}
                  says={leaves(t)}
                  yes={`Remove ${t.name}`}
                >
                  Remove; their classes stay
                </SureButton>
              </PressForm>
            )}
          </li>
        ))}
        {invited.map((i) => (
          <li key={i.id} className="flex flex-wrap items-center gap-x-4 gap-y-2 py-2.5">
            <span className="min-w-40 flex-1">
              <span className="font-medium">{i.email}</span>
              <span className="quiet block text-sm">
                invited as {ROLE_NAMES[i.role].toLowerCase()}, until {i.until}
              </span>
            </span>
            <PressForm act={actions.withdraw}>
              <input type="hidden" name="id" value={i.id} />
              <button
                type="submit"
                className="btn btn-ghost btn-sm"
                aria-label={`Take back the invitation of ${i.email}`}
              >
                Take back
              </button>
            </PressForm>
          </li>
        ))}
      </ul>
      <div className="mt-4 grid max-w-lg gap-8">
        <ActionForm act={actions.invite} submit="Invite" label="Invite a teacher">
          <Field name="email" label="Email of somebody to invite" type="email" />
          <Select name="role" label="As" options={ROLES} names={ROLE_NAMES} initial="teacher" />
        </ActionForm>
        {invitesStudios && (
          <ActionForm
            act={actions.inviteStudio}
            submit="Invite to make a studio"
            label="Invite somebody to make a studio of their own"
          >
            <Field
              name="email"
              label="Email of somebody who may make a studio of their own here"
              type="email"
            />
          </ActionForm>
        )}
      </div>
    </section>
  );
}
