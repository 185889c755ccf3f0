import type { Prepared } from '@/server/today/today';
import type { Stretch } from '@/ui/kit/slot-ribbon';
import type { BeforeLine } from '@/ui/today/before-list';

/** The steps of a class as its ribbon in the slot draws them. */
export const stretchesOf = ({ score, resolved }: Prepared): Stretch[] =>
  score.steps.map((step) => ({
    kind: resolved.moves.get(step.moveId)?.kind ?? 'breath',
    step: step.kind,
    ms: step.durationMs,
  }));

/** Findings that are settled by a word to somebody, before the class. */
const WORDS = new Set(['person-to-ask']);

/**
 * What is to be settled before a session, the gravest first. Findings that neither hurt anybody nor want a
 * word are counted, since Compose has them all; who is new is told among those who come.
 */
export function beforeLines(
  classId: string,
  { findings, parked, notes }: Pick<Prepared, 'findings' | 'parked' | 'notes'>,
): BeforeLine[] {
  const compose = `/classes/${classId}`;
  const at = ([first]: readonly string[]) =>
    first === undefined ? compose : `${compose}?segment=${encodeURIComponent(first)}`;
  const musts = findings.filter((f) => f.severity === 'must');
  const words = findings.filter((f) => WORDS.has(f.check));
  const smaller = findings.length - musts.length - words.length;
  return [
    ...musts.map(({ key, says, repair, segments }): BeforeLine => {
      const act = repair
        ? ({ name: 'repair', value: key, label: repair.label } as const)
        : { href: at(segments), label: 'Settle it in Compose' };
      return { key, weight: 'must', says, act };
    }),
    ...words.map(({ key, says, segments }): BeforeLine => {
      return { key, weight: 'word', says, act: { href: at(segments), label: 'See the move' } };
    }),
    ...parked.map(({ id, runId, note }): BeforeLine => {
      const act = { name: 'answered', value: `${runId} ${id}`, label: 'Answered' } as const;
      return { key: id, weight: 'word', says: `Asked last time: “${note}”`, act };
    }),
    ...notes.map(({ id, name, moveName, note }): BeforeLine => {
      const says = `${name}, ${moveName}: ${note || 'corrected last time'}`;
      return { key: id, weight: 'know', says, act: { name: 'seen', value: id, label: 'Seen' } };
    }),
    ...(smaller > 0
      ? [
          {
            key: 'smaller',
            weight: 'know',
            says: `${smaller} smaller ${smaller === 1 ? 'point' : 'points'} in the checks of the class`,
            act: { href: compose, label: 'Look at them' },
          } satisfies BeforeLine,
        ]
      : []),
  ];
}
