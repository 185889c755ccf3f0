import { CalendarX2, Play } from 'lucide-react';
import { KIT_NAMES, type Kit } from '@/core/move';
import type { WhoLine } from '@/core/today';
import { Link } from '../kit/link';
import { SlotRibbon, type Stretch } from '../kit/slot-ribbon';
import { type BeforeLine, BeforeList, type Settle } from './before-list';
import { Soon } from './soon';

/** The session a teacher leads next, with all there is to know of it. */
export interface NextSession {
  id: string;
  classId: string;
  className: string;
  startsAt: number;
  time: string;
  /** Where it is not today. */
  day: string | null;
  running: boolean;
  place: string | null;
  /** Who leads it, where that is somebody else. */
  leader: string | null;
  kit: Kit[];
  link: string | null;
  booked: string;
  slotMs: number;
  /** Empty where the class has nothing yet. */
  stretches: Stretch[];
  who: WhoLine[];
  /** How many come of whom nothing has to be known. */
  others: number;
  before: BeforeLine[];
}

function aroundWords({ place, leader, kit }: NextSession): string {
  const words = [place, leader && `led by ${leader}`, listed(kit.map((k) => KIT_NAMES[k]))];
  return words
    .filter(Boolean)
    .map((w) => `, ${w}`)
    .join('');
}

const listed = (all: readonly string[]): string =>
  all.length < 2 ? all.join('') : `${all.slice(0, -1).join(', ')} and ${all.at(-1)}`;

export function NextSessionView({
  session,
  now,
  settle,
}: {
  session: NextSession;
  now: number;
  settle: Settle;
}) {
  const { id, classId, className, startsAt, time, day, running, stretches } = session;
  return (
    <article aria-labelledby="next">
      {day && <p className="quiet mb-1">Nothing more to lead today. The next one:</p>}
      <div className="flex flex-wrap items-center gap-x-5 gap-y-3">
        <p className="figures text-6xl font-bold">{time}</p>
        <p className="quiet min-w-0 flex-1 basis-48 self-end text-lg">
          {day && `${day}, `}
          <Soon startsAt={startsAt} now={now} />
          {aroundWords(session)}
          {session.link && (
            <>
              ,{' '}
              <a href={session.link} className="link" rel="noreferrer">
                the call
              </a>
            </>
          )}
        </p>
        <div className="flex flex-wrap items-center gap-2">
          {!running && (
            <Link href={`/sessions/${id}`} className="btn btn-ghost">
              <CalendarX2 size={18} aria-hidden /> Change or call off
            </Link>
          )}
          {/* One of another day is not to be led by a slip of the hand. */}
          {!day && (
            <Link href={`/lead/${id}`} className="btn btn-primary btn-lg">
              <Play size={20} aria-hidden /> {running ? 'Go on leading' : 'Lead class'}
            </Link>
          )}
        </div>
      </div>
      <h2 id="next" className="mt-3 mb-2 text-3xl font-bold">
        <Link href={`/classes/${classId}`} className="hover:underline">
          {className}
        </Link>
      </h2>
      {stretches.length > 0 ? (
        <SlotRibbon stretches={stretches} slotMs={session.slotMs} />
      ) : (
        <p className="quiet">
          This class is still empty.{' '}
          <Link href={`/classes/${classId}`} className="link">
            Put it together
          </Link>{' '}
          before you lead it.
        </p>
      )}
      <div className="mt-7 grid gap-x-8 gap-y-7 md:grid-cols-2">
        <section aria-labelledby="who-comes">
          <h2 id="who-comes" className="text-xl font-semibold">
            Who comes
          </h2>
          <p className="quiet mb-1.5">
            <Link href={`/sessions/${id}`} className="link">
              {session.booked}
            </Link>
          </p>
          <dl className="divide-base-300 border-base-300 divide-y border-y empty:hidden">
            {session.who.map(({ says, people }) => (
              <div key={says} className="flex gap-4 py-1.5">
                <dt className="w-28 shrink-0 font-semibold sm:w-36">
                  {people.map((p, i) => (
                    <span key={p.participantId}>
                      {i > 0 && ', '}
                      <Link href={`/people/${p.participantId}`} className="hover:underline">
                        {p.name}
                      </Link>
                    </span>
                  ))}
                </dt>
                <dd className="min-w-0 flex-1">{says}</dd>
              </div>
            ))}
          </dl>
          {session.others > 0 && (
            <p className="quiet mt-1.5">
              {session.who.length > 0 ? 'and ' : ''}
              {session.others} {session.others === 1 ? 'regular' : 'regulars'}
            </p>
          )}
        </section>
        <BeforeList lines={session.before} settle={settle} />
      </div>
    </article>
  );
}
