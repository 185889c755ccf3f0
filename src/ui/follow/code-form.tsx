'use client';

import type { DoorWords } from '@/core/follow/words';
import type { Language } from '@/core/language';
import { Door } from '../account/door';
import { ActionForm, Field, type FormAct } from '../kit/form';
import { ActsSaid } from '../kit/use-act';

/** Where somebody types the code of a class. */
export function CodeForm({
  find,
  words,
  language,
}: {
  find: FormAct;
  words: DoorWords;
  language: Language;
}) {
  return (
    <Door title={words.title} language={language}>
      <p className="mb-4">{words.shown}</p>
      <ActsSaid value={words.acts}>
        <ActionForm act={find} submit={words.go} label={words.title}>
          <Field name="code" label={words.code} autoComplete="off" help={words.codeHelp} />
        </ActionForm>
      </ActsSaid>
    </Door>
  );
}
