'use client';

import { Download } from 'lucide-react';
import dynamic from 'next/dynamic';
import type { CSSProperties, ReactNode } from 'react';
import type { Insight } from '@/core/insights';
import { Link } from '../kit/link';
import { Page } from '../kit/page';
import { drawingOf } from './drawing';

/** Charts are loaded where there is something to draw. */
const InsightChart = dynamic(() => import('./insight-chart'), { ssr: false });

/** An insight, and where its rows are to be had as a file. */
export type ShownInsight = Insight & { file: string };

export interface InsightsScreenProps {
  insights: ShownInsight[];
  weeks: number;
  classId: string;
  classes: { id: string; name: string }[];
}

const SPANS = [4, 12, 26, 52];

/** What a term was like, to be looked at; each figure with how it is computed, its rows, and a file. */
export function InsightsScreen({ insights, weeks, classId, classes }: InsightsScreenProps) {
  const whenChosen = (event: React.ChangeEvent<HTMLSelectElement>) =>
    event.currentTarget.form?.submit();
  return (
    <Page title="Insights">
      <form method="get" aria-label="Narrow it" className="-mt-1 mb-6 flex flex-wrap gap-3">
        <label className="grid gap-1">
          <span className="text-sm font-medium">Class</span>
          <select
            name="classId"
            defaultValue={classId}
            onChange={whenChosen}
            className="select w-64"
          >
            <option value="">all of them</option>
            {classes.map((c) => (
              <option key={c.id} value={c.id}>
                {c.name}
              </option>
            ))}
          </select>
        </label>
        <label className="grid gap-1">
          <span className="text-sm font-medium">The last</span>
          <select name="weeks" defaultValue={weeks} onChange={whenChosen} className="select w-36">
            {SPANS.map((n) => (
              <option key={n} value={n}>
                {n} weeks
              </option>
            ))}
          </select>
        </label>
      </form>
      <div className="grid grid-cols-1 gap-x-12 gap-y-10 lg:grid-cols-2">
        {insights.map((insight) => (
          <OneInsight key={insight.key} insight={insight} />
        ))}
      </div>
    </Page>
  );
}

/** As high as the chart will be: a line for each bar, and two where there is little room for the names beside them. */
function Room({ insight, children }: { insight: Insight; children: ReactNode }) {
  const { sideways, shown } = drawingOf(insight);
  const height = sideways
    ? 'h-[max(7.5rem,calc(44px+var(--bars)*30px))] @max-[548px]:h-[max(7.5rem,calc(44px+var(--bars)*50px))]'
    : 'h-60';
  return (
    <div className="@container mt-2">
      <div className={height} style={{ '--bars': shown.length } as CSSProperties}>
        {children}
      </div>
    </div>
  );
}

function OneInsight({ insight }: { insight: ShownInsight }) {
  const { key, title, how, columns, rows, file } = insight;
  const empty = rows.every((r) => insight.drawn.every((c) => !Number(r.cells[c])));
  return (
    <section aria-labelledby={`i-${key}`} className="min-w-0">
      <h2 id={`i-${key}`} className="text-xl font-semibold">
        {title}
      </h2>
      {empty ? (
        <p className="quiet mt-2">There is nothing to count in this time yet.</p>
      ) : (
        <Room insight={insight}>
          <InsightChart insight={insight} />
        </Room>
      )}
      <p className="quiet mt-2 text-sm">{how}</p>
      {rows.length > 0 && (
        <details className="mt-2">
          <summary className="cursor-pointer text-sm font-medium">The rows behind it</summary>
          <div className="relative mt-1 overflow-x-auto">
            <table className="table [&_td]:py-1.5 [&_th]:py-1.5">
              <caption className="sr-only">{title}</caption>
              <thead>
                <tr className="text-base-content">
                  {columns.map((c, i) => (
                    <th key={c.name} scope="col" className={i > 0 ? 'text-right' : ''}>
                      {c.name}
                      {c.unit && <span className="font-normal">, {c.unit}</span>}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody className="text-base">
                {rows.map((row) => (
                  <tr key={row.cells.join(' ')}>
                    {row.cells.map((cell, i) =>
                      i === 0 ? (
                        // biome-ignore lint/suspicious/noArrayIndexKey: a cell is its place
                        <th key={i} scope="row" className="font-normal">
                          {row.href ? (
                            <Link href={row.href} className="link link-hover">
                              {cell}
                            </Link>
                          ) : (
                            cell
                          )}
                        </th>
                      ) : (
                        // biome-ignore lint/suspicious/noArrayIndexKey: a cell is its place
                        <td key={i} className="figures text-right">
                          {cell}
                        </td>
                      ),
                    )}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <a href={file} className="link mt-2 inline-flex items-center gap-1.5 text-sm" download>
            <Download size={14} aria-hidden /> {title} as CSV
          </a>
        </details>
      )}
    </section>
  );
}
