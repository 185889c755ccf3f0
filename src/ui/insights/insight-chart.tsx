import { useRouter } from 'next/navigation';
import { useState } from 'react';
import {
  Bar,
  BarChart,
  CartesianGrid,
  Legend,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import type { Insight } from '@/core/insights';
import { drawingOf } from './drawing';

const FILLS = ['var(--color-secondary)', 'var(--color-accent)'];
/** Names take this much beside the bars at most, in px, and this share of the width where that is less. */
const NAMES = { most: 230, share: 0.42 };

/** An insight drawn as bars; a press on one leads to where it comes from. The rows below say the same. */
export default function InsightChart({ insight }: { insight: Insight }) {
  const router = useRouter();
  const [width, setWidth] = useState(640);
  const { columns, drawn } = insight;
  const { sideways, shown } = drawingOf(insight);
  const data = shown.map((r) => ({
    name: String(r.cells[0]),
    href: r.href,
    ...Object.fromEntries(drawn.map((c) => [`c${c}`, Number(r.cells[c])])),
  }));
  const namesWide = Math.min(NAMES.most, width * NAMES.share);
  const open = (bar: { payload?: { href?: string | null } }) => {
    const href = bar.payload?.href;
    if (href) router.push(href);
  };
  return (
    <div className="size-full text-sm" aria-hidden>
      <ResponsiveContainer onResize={setWidth}>
        <BarChart
          accessibilityLayer={false}
          data={data}
          layout={sideways ? 'vertical' : 'horizontal'}
          margin={{ left: sideways ? 8 : -20, right: 8, top: 4 }}
          barGap={1}
        >
          <CartesianGrid
            stroke="var(--color-base-300)"
            vertical={sideways}
            horizontal={!sideways}
          />
          {sideways ? (
            <>
              {/* Its foot may be far below what is in sight. */}
              <XAxis type="number" allowDecimals={false} orientation="top" />
              <YAxis
                type="category"
                dataKey="name"
                width={namesWide}
                interval={0}
                tick={{ fontSize: 13 }}
              />
            </>
          ) : (
            <>
              <XAxis dataKey="name" />
              <YAxis allowDecimals={false} />
            </>
          )}
          <Tooltip cursor={{ fill: 'var(--color-base-200)' }} />
          {drawn.map((c, i) => (
            <Bar
              key={c}
              dataKey={`c${c}`}
              name={[columns[c]?.name, columns[c]?.unit].filter(Boolean).join(', ')}
              fill={FILLS[i]}
              isAnimationActive={false}
              radius={2}
              cursor="pointer"
              onClick={open}
            />
          ))}
          {drawn.length > 1 && (
            <Legend
              verticalAlign="top"
              align="left"
              height={28}
              // Its own colours are for bars: words of them would be too pale.
              formatter={(name: string) => <span className="text-base-content">{name}</span>}
            />
          )}
        </BarChart>
      </ResponsiveContainer>
    </div>
  );
}
