import { StreakButton } from '../kit/beat-line/streak-button';
import { Empty } from '../kit/empty';
import type { PersonScreenProps } from './person-types';

export function Regularity({ id, name, streaks, programmes }: PersonScreenProps) {
  return (
    <section aria-labelledby="regularity">
      <h2 id="regularity" className="mb-2 text-xl font-semibold">
        Regularity
      </h2>
      {streaks.length + programmes.length === 0 && (
        <p className="quiet">Not booked on a class yet, so there is nothing to keep up.</p>
      )}
      <ul className="grid grid-cols-1 gap-4">
        {[...programmes, ...streaks].map((s) => {
          const kept = `${s.lately.kept} of ${s.lately.asked} kept in the last 12 weeks`;
          const row = `${s.count}, the longest ${s.line.longest}`;
          return (
            <li key={s.classId} className="border-base-300 rounded-box border p-4">
              <p className="font-medium">
                {s.className}
                {s.ended && <span className="quiet font-normal"> (ended)</span>}
              </p>
              <p className="mt-0.5">
                {/* After a break, what was kept comes first. */}
                {s.line.current === 0 ? kept : row}{' '}
                <span className="quiet">· {s.line.current === 0 ? row : kept}</span>
              </p>
              <div className="mt-2">
                <StreakButton
                  participantId={id}
                  name={name}
                  classId={s.classId}
                  line={s.line}
                  large
                />
              </div>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

export function Sessions({ name, sessions }: Pick<PersonScreenProps, 'name' | 'sessions'>) {
  const past = sessions.filter((s) => s.past);
  const toCome = sessions.filter((s) => !s.past).reverse();
  return (
    <section aria-labelledby="sessions">
      <h2 id="sessions" className="mb-2 text-xl font-semibold">
        Sessions
      </h2>
      {sessions.length === 0 ? (
        <Empty title="None yet">The sessions they come to will stand here.</Empty>
      ) : (
        <>
          {toCome.length > 0 && (
            <details className="mb-2">
              <summary className="cursor-pointer">
                To come, {toCome.length}; the next {toCome[0]?.day}
              </summary>
              <SessionTable caption={`Sessions of ${name} to come`} sessions={toCome} />
            </details>
          )}
          {past.length > 0 && <SessionTable caption={`Sessions of ${name}`} sessions={past} />}
        </>
      )}
    </section>
  );
}

function SessionTable({
  caption,
  sessions,
}: Pick<PersonScreenProps, 'sessions'> & { caption: string }) {
  return (
    <div className="overflow-x-auto">
      <table className="table [&_td]:py-1.5 [&_th]:py-1.5">
        <caption className="sr-only">{caption}</caption>
        <thead>
          <tr className="text-base-content text-sm">
            <th scope="col">Day</th>
            <th scope="col">Class</th>
            <th scope="col">Register</th>
            <th scope="col" className="text-right">
              Took part
            </th>
          </tr>
        </thead>
        <tbody className="text-base">
          {sessions.map((s) => (
            <tr key={s.id}>
              <td className="figures whitespace-nowrap">
                {s.day} {s.time}
              </td>
              <td>{s.className}</td>
              <td>{s.register}</td>
              <td className="figures text-right">{s.took}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
