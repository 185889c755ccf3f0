'use client';

import type { DoorWords } from '@/core/follow/words';
import type { Language } from '@/core/language';
import { Door } from '../account/door';
import { GeneralCaution } from '../kit/caution';
import { ActionForm, Field, type FormAct } from '../kit/form';
import { ActsSaid } from '../kit/use-act';

export interface ComeInProps {
  className: string;
  /** Whose it is, and when it is planned for. */
  planned: string;
  shut: boolean;
  comeIn: FormAct;
  words: DoorWords;
  language: Language;
}

/** The door of a class: whoever comes in may say a name, and need not. */
export function ComeIn(props: ComeInProps) {
  const { className, planned, shut, comeIn, words, language } = props;
  return (
    <Door title={className} language={language}>
      <p className="mb-4">{planned}</p>
      {shut ? (
        <p role="status" className="border-accent border-l-4 pl-3">
          {words.shut}
        </p>
      ) : (
        <ActsSaid value={words.acts}>
          <ActionForm act={comeIn} submit={words.comeIn} label={words.comeIn}>
            <Field name="name" label={words.name} autoComplete="off" help={words.nameHelp} />
          </ActionForm>
        </ActsSaid>
      )}
      <GeneralCaution className="mt-6" says={words.care} />
    </Door>
  );
}
