import { clock } from '@/core/formats';
import { type SegmentTimes, totalOf } from '@/core/run';

export interface MinutesProps {
  rows: readonly SegmentTimes[];
  nameOf: (moveId: string) => string;
}

/** A difference that is worth a look, in ms. */
const WORTH_MS = 2000;

const signed = (ms: number): string =>
  Math.abs(ms) < 500 ? '' : `${ms > 0 ? '+' : '−'}${clock(Math.abs(ms))}`;

/** Planned against actual: where the minutes went. */
export function Minutes({ rows, nameOf }: MinutesProps) {
  const columns = [
    ['talk', 'talkMs'],
    ['work', 'workMs'],
    ['pauses', 'pauseMs'],
    ['stood still', 'stoodMs'],
  ] as const;
  return (
    <section aria-labelledby="minutes" className="min-w-0">
      <h2 id="minutes" className="mt-6 mb-2 text-xl font-semibold">
        Where the minutes went
      </h2>
      <div className="overflow-x-auto">
        <table className="table-sm table">
          <thead>
            <tr>
              <th scope="col">Move</th>
              <th scope="col" className="text-right">
                Planned
              </th>
              <th scope="col" className="text-right">
                Led
              </th>
              {columns.map(([name]) => (
                <th key={name} scope="col" className="text-right">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ segmentId, moveId, planned, actual }) => {
              const over = totalOf(actual) - totalOf(planned);
              return (
                <tr key={segmentId}>
                  <th scope="row" className="font-medium">
                    {nameOf(moveId)}
                  </th>
                  <td className="figures text-right">{clock(totalOf(planned))}</td>
                  <td
                    className={`figures text-right ${Math.abs(over) > WORTH_MS ? 'text-accent font-semibold' : ''}`}
                  >
                    {clock(totalOf(actual))}
                  </td>
                  {columns.map(([name, part]) => (
                    <td key={name} className="figures quiet text-right">
                      {signed(actual[part] - planned[part])}
                    </td>
                  ))}
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </section>
  );
}
