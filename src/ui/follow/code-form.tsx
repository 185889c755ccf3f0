'use client';

import { Door } from '../account/door';
import { ActionForm, Field, type FormAct } from '../kit/form';

/** Where somebody types the code of a class. */
export function CodeForm({ find }: { find: FormAct }) {
  return (
    <Door title="Follow a class">
      <p className="mb-4">
        Your teacher shows a code of six signs, or a picture that leads you there by itself.
      </p>
      <ActionForm act={find} submit="Go to the class" label="Follow a class">
        <Field
          name="code"
          label="Code"
          autoComplete="off"
          help="Such as K7P 3WX. Small letters and blanks make no difference."
        />
      </ActionForm>
    </Door>
  );
}
