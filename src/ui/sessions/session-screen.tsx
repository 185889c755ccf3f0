import { Play } from 'lucide-react';
import { ActionForm, Field, type FormAct } from '../kit/form';
import { Select, Shown, Sure } from '../kit/form-fields';
import { Link } from '../kit/link';
import { Page } from '../kit/page';
import { RoomField } from '../kit/room-field';
import { bookedWords } from './booked-words';
import { SessionPeople, type SessionPeopleProps } from './session-people';

const WHICH_NAMES = {
  this: 'this session',
  after: 'this one and those after it',
  all: 'all that are still to come',
} as const;

export interface SessionScreenProps {
  id: string;
  title: string;
  /** When it is, in the studio's time. */
  when: string;
  /** As fields have it, such as "2026-11-24T18:30". */
  at: string;
  status: 'planned' | 'running' | 'held' | 'cancelled';
  why: string | null;
  /** When the series has it, where it was moved. */
  movedFrom: string | null;
  inSeries: boolean;
  booked: number;
  waiting: number;
  roomFor: number | null;
  people: SessionPeopleProps['people'];
  /** Everybody else on the register. */
  others: SessionPeopleProps['others'];
  classId: string;
  teacherId: string;
  place: string;
  link: string;
  classes: { id: string; name: string }[];
  teachers: { id: string; name: string }[];
  change: FormAct;
  callOff: FormAct;
  restore: FormAct;
  coming: FormAct;
}

/** One session: when, where, by whom, and all that can become of it. */
export function SessionScreen(props: SessionScreenProps) {
  const { id, status, why, movedFrom, link } = props;
  const which = props.inSeries && (
    <Select
      name="which"
      label="For"
      options={['this', 'after', 'all']}
      names={WHICH_NAMES}
      initial="this"
    />
  );
  /** What the form below is filled in with, as it sends it. */
  const was = {
    day: props.at.slice(0, 10),
    time: props.at.slice(11),
    classId: props.classId,
    teacherId: props.teacherId,
    place: props.place,
    link,
    roomFor: String(props.roomFor ?? ''),
  };
  const leaders = {
    '': 'left open',
    ...Object.fromEntries(props.teachers.map((t) => [t.id, t.name])),
  };
  return (
    <Page
      title={props.title}
      actions={
        status !== 'cancelled' && (
          <Link href={`/lead/${id}`} className="btn btn-primary">
            <Play size={18} aria-hidden />
            {{ planned: 'Lead class', running: 'Go on leading', held: 'See the register' }[status]}
          </Link>
        )
      }
    >
      <p className="text-xl font-semibold">{props.when}</p>
      <p className="quiet mt-1">
        {[
          bookedWords(props),
          props.place,
          leaders[props.teacherId as keyof typeof leaders] && props.teacherId
            ? `led by ${leaders[props.teacherId as keyof typeof leaders]}`
            : 'nobody named to lead it',
          movedFrom && `moved from ${movedFrom}`,
        ]
          .filter(Boolean)
          .join(' · ')}
      </p>
      {link && (
        <p className="mt-1">
          <a href={link} className="link" rel="noreferrer">
            The call
          </a>
        </p>
      )}
      {(status === 'planned' || status === 'cancelled') && (
        <div className="mt-4">
          <ActionForm
            act={props.restore}
            submit="Put it back"
            label="Put it back"
            over={status === 'planned'}
          >
            <p className="font-medium">Cancelled{why ? `: ${why}` : ''}</p>
            <Sure label="Put it back all the same" />
          </ActionForm>
        </div>
      )}
      {(status === 'planned' || status === 'cancelled') && (
        <div className="mt-8 grid gap-10 md:grid-cols-2">
          <div className="grid content-start gap-10">
            <section aria-labelledby="change">
              <h2 id="change" className="mb-3 text-xl font-semibold">
                Change it
              </h2>
              <ActionForm act={props.change} submit="Save the changes">
                <Shown was={was} />
                <div className="grid gap-4 sm:grid-cols-2">
                  <Field name="day" label="Day" type="date" initial={was.day} />
                  <Field name="time" label="At" type="time" initial={was.time} />
                </div>
                <Select
                  name="classId"
                  label="Class"
                  options={props.classes.map((c) => c.id)}
                  names={Object.fromEntries(props.classes.map((c) => [c.id, c.name]))}
                  initial={props.classId}
                />
                <Select
                  name="teacherId"
                  label="Led by"
                  options={Object.keys(leaders)}
                  names={leaders}
                  initial={props.teacherId}
                />
                <Field name="place" label="Place" initial={props.place} />
                <Field name="link" label="Link of the call" type="url" initial={link} />
                <RoomField initial={was.roomFor} />
                {which}
                <p className="quiet text-sm">
                  Whoever is booked and has given an email gets a letter where the day, the time,
                  the class, the place or the link is another.
                </p>
                <Sure label="Do it all the same" />
              </ActionForm>
            </section>
            <section aria-labelledby="off">
              <h2 id="off" className="mb-3 text-xl font-semibold" hidden={status === 'cancelled'}>
                Call it off
              </h2>
              <ActionForm
                act={props.callOff}
                submit="Call it off"
                over={status === 'cancelled'}
                danger
              >
                <Field
                  name="word"
                  label="A word to those booked"
                  help="Whoever has given an email gets a letter; it stands among those of the studio."
                />
                {which}
              </ActionForm>
            </section>
          </div>
          {status === 'planned' && (
            <SessionPeople people={props.people} others={props.others} coming={props.coming} />
          )}
        </div>
      )}
    </Page>
  );
}
