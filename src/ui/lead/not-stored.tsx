import { BEND_NAMES } from './controls';
import type { Log } from './use-log';

/** What happened here and the server will never take, by the reason that it gave. */
export function NotStored({ refused, className }: Pick<Log, 'refused'> & { className: string }) {
  const reasons = [...new Set(refused.map((r) => r.says))];
  return reasons.map((says) => {
    const of = refused.filter((r) => r.says === says).map(({ event }) => nameOf(event));
    return (
      <p key={says} role="alert" className={className}>
        Not stored: {of.join(', ')}. {says}
      </p>
    );
  });
}

function nameOf(event: Log['refused'][number]['event']): string {
  if (event.type === 'walkedIn') return event.name;
  return BEND_NAMES[event.type] ?? EVENT_NAMES[event.type] ?? event.type;
}

const EVENT_NAMES: Partial<Record<string, string>> = {
  marked: 'a mark',
  left: 'who left',
  corrected: 'a correction',
  parked: 'a question',
  struck: 'a note that was taken back',
  felt: 'how it felt',
};
