'use client';

import { Door } from '../account/door';
import { GeneralCaution } from '../kit/caution';
import { ActionForm, Field, type FormAct } from '../kit/form';

export interface ComeInProps {
  className: string;
  studioName: string;
  /** When it is planned for, as it is shown. */
  planned: string;
  shut: boolean;
  comeIn: FormAct;
}

/** The door of a class: whoever comes in may say a name, and need not. */
export function ComeIn(props: ComeInProps) {
  const { className, studioName, planned, shut, comeIn } = props;
  return (
    <Door title={className}>
      <p className="mb-4">
        {studioName}, planned for {planned}.
      </p>
      {shut ? (
        <p role="status" className="border-accent border-l-4 pl-3">
          The door of this class is shut. Ask the teacher to open it again, then load this page once
          more.
        </p>
      ) : (
        <ActionForm act={comeIn} submit="Come in" label="Come in">
          <Field
            name="name"
            label="Your name, if you like"
            autoComplete="off"
            help="Only your teacher sees it."
          />
        </ActionForm>
      )}
      <GeneralCaution className="mt-6" />
    </Door>
  );
}
