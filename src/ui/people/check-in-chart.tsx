import {
  CartesianGrid,
  Legend,
  Line,
  LineChart,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts';
import { type CheckIn, SCALES } from '@/core/people';

const STROKES = {
  jaw: { stroke: 'var(--color-secondary)', strokeDasharray: undefined },
  brow: { stroke: 'var(--color-error)', strokeDasharray: '6 4' },
  evenness: { stroke: 'var(--color-base-content)', strokeDasharray: '2 4' },
} as const;

/** The scales over the weeks; the table beside it says the same. */
export default function CheckInChart({ given }: { given: readonly CheckIn[] }) {
  return (
    <div className="h-56 w-full" aria-hidden>
      <ResponsiveContainer>
        <LineChart
          accessibilityLayer={false}
          data={[...given]}
          margin={{ left: -16, right: 12, top: 8 }}
        >
          <CartesianGrid stroke="var(--color-base-300)" vertical={false} />
          <XAxis
            dataKey="week"
            type="number"
            domain={[0, 20]}
            ticks={[0, 2, 8, 20]}
            tickFormatter={(week) => `week ${week}`}
          />
          <YAxis domain={[0, 10]} ticks={[0, 5, 10]} />
          {(Object.keys(SCALES) as (keyof typeof SCALES)[]).map((key) => (
            <Line
              key={key}
              dataKey={key}
              name={SCALES[key]}
              strokeWidth={2.5}
              isAnimationActive={false}
              {...STROKES[key]}
            />
          ))}
          <Legend />
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}
