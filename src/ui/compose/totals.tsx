import { clock } from '@/core/formats';
import type { Totals as ScoreTotals } from '@/core/score';
import type { SpeechSource } from '@/core/speech';
import { Link } from '../kit/link';

interface TotalsProps {
  totals: ScoreTotals;
  speech: SpeechSource;
  /** How many times as long as its cues the talk of this teacher takes; absent where nothing was learned. */
  factor?: number;
}

const MEASURED: Record<SpeechSource, string> = {
  measured: 'Speech measured as it will be heard',
  mixed: 'Speech measured in part',
  estimated: 'Speech estimated',
};

/** Where the time of the class goes, and how sure its length is. */
export function Totals({ totals, speech, factor }: TotalsProps) {
  const rest = totals.releaseMs + totals.restMs;
  const parts: [string, number, string][] = [
    ['Work', totals.workMs, 'work'],
    ['Upbeats and switches', totals.upbeatMs + totals.switchMs, 'upbeat'],
    ['Release and rest', rest, 'rest'],
    ['Talk', totals.talkMs, 'talk'],
  ];
  return (
    <div className="mt-3 flex flex-wrap items-baseline gap-x-6 gap-y-1">
      <dl className="flex flex-wrap gap-x-6 gap-y-1">
        {parts.map(([name, ms, key]) => (
          <div key={key} className="flex items-baseline gap-2">
            <dt className="quiet text-sm">{name}</dt>
            <dd className="figures font-semibold" data-testid={`total-${key}`}>
              {clock(ms)}
            </dd>
          </div>
        ))}
      </dl>
      <div className="quiet text-sm">
        {MEASURED[speech]}
        {factor !== undefined && (
          <>
            {'. '}
            <Link href="/voice#talk" className="link">
              Your talk × {factor.toFixed(2)}
            </Link>
          </>
        )}
      </div>
    </div>
  );
}
