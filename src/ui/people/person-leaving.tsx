import { addressOf, CALLS } from '@/core/calls';
import { ActionForm, ButtonForm, Field } from '../kit/form';
import { Select, Shown, Tick } from '../kit/form-fields';
import { SureButton } from '../kit/sure-button';
import { useLeadingOn } from '../kit/use-leading-on';
import { Folded } from './folded';
import type { PersonScreenProps } from './person-types';

export function Details({
  id,
  name,
  contact,
  language,
  languages,
  greet,
  acts,
}: PersonScreenProps) {
  const was = {
    name,
    contact: contact ?? '',
    language: language ?? '',
    greet: greet ? 'on' : '',
  };
  return (
    <Folded title="Name and contact">
      <ActionForm act={acts.change} submit="Keep" label="Name and contact">
        <Shown was={was} />
        <Field name="name" label="Name, as they like to be called" initial={was.name} />
        <Field name="contact" label="Contact, if they wish" initial={was.contact} />
        <Select
          name="language"
          label="Language"
          options={['', ...Object.keys(languages)]}
          names={{ '': 'not said', ...languages }}
          initial={was.language}
        />
        <Tick name="greet" label="Greet round numbers and streaks" initial={greet} />
      </ActionForm>
      <p>
        <a href={addressOf(CALLS.exportPerson, id)} className="link" download>
          All that is held about them, as a file
        </a>
      </p>
    </Folded>
  );
}

export function Leaving(props: PersonScreenProps) {
  const { name, left, others, alike, join, acts } = props;
  const erase = useLeadingOn(acts.erase, () => '/people');
  return (
    <>
      <Folded title="The same person twice" open={join !== null || alike.length > 0}>
        {join && (
          <ButtonForm act={acts.join} label="Undo the join">
            <p className="flex flex-wrap items-center gap-3">
              {join.name} was joined with {name}.
              <button type="submit" name="undo" value={join.id} className="btn btn-outline btn-sm">
                Make them two again
              </button>
            </p>
          </ButtonForm>
        )}
        <ActionForm act={acts.join} submit={`Join with ${name}`} label="Join">
          <p>
            Everything of the other entry moves here: sessions, notes, practice, cautions. It can be
            undone for a day.
          </p>
          <Select
            name="person"
            label="The other entry"
            options={['', ...new Set([...alike, ...others].map((p) => p.id))]}
            names={{ '': 'choose', ...Object.fromEntries(others.map((p) => [p.id, p.name])) }}
            initial={alike[0]?.id ?? ''}
          />
        </ActionForm>
      </Folded>
      <Folded title="Leaving">
        <ButtonForm act={acts.leave} label="Leave">
          <p className="flex flex-wrap items-center gap-3">
            {left
              ? `${name} has left, and is in no list any more.`
              : 'Their bookings end, and they are in no list any more. All that is known of them stays.'}
            {left ? (
              <button type="submit" name="back" value="yes" className="btn btn-outline btn-sm">
                They are back
              </button>
            ) : (
              <SureButton
                name="leave"
                value="yes"
                className="btn btn-outline btn-sm"
                title={`${name} leaves the studio?`}
                says="Their bookings end and their own page goes, and whoever waits for room moves up and is written to. Coming back, they are booked anew, after everybody else."
                yes="They leave"
              >
                They leave the studio
              </SureButton>
            )}
          </p>
        </ButtonForm>
        <ActionForm act={erase} submit="Erase them" label="Erase" danger>
          <p>
            Erasing forgets everything that names {name}. That somebody came stays as a number. It
            cannot be undone; backups and files made before still have it.
          </p>
          <Field name="name" label={`Write “${name}” to erase them`} />
        </ActionForm>
      </Folded>
    </>
  );
}
