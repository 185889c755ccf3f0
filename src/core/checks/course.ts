import { moveBlock, type Plan } from '../class';
import { type Move, moveText } from '../move';
import { type Check, firstOf, lines, moveFor } from './check';
import { bring } from './face';

export const noWarmUp: Check = {
  id: 'no-warm-up',
  title: 'The work starts cold',
  severity: 'should',
  find: (look) => {
    const all = lines(look);
    const first = all.findIndex((l) => l.move.kind === 'exercise');
    const warm = all
      .slice(0, Math.max(0, first))
      .some((l) => l.move.kind === 'warmup' || l.move.kind === 'stretch');
    const exercise = all[first];
    if (!exercise || warm) return [];
    const move = moveFor(
      look,
      (m) => m.kind === 'warmup' && m.head === 'level' && m.hands !== 'firm',
      (m) => (m.hands === 'free' ? 1 : 0),
    );
    return [
      {
        key: 'no-warm-up',
        says: 'No warm-up',
        why: 'Shoulders, neck and a light tapping come before the first exercise.',
        segments: [exercise.segment.id],
        ...(move && {
          repair: {
            label: `Add ${moveText(move, look.plan.language).name}`,
            apply: (plan: Plan) => bring(look, plan, move),
          },
        }),
      },
    ];
  },
};

/** What belongs to a massage: strokes, and the points that are pressed along with them. */
const MASSAGING: readonly Move['kind'][] = ['massage', 'point'];

export const noDrainAtTheEnd: Check = {
  id: 'no-drain',
  title: 'The massage does not end by draining',
  severity: 'should',
  find: (look) => {
    const massage = lines(look).filter(
      (l) => MASSAGING.includes(l.move.kind) && l.phase !== 'warmUp',
    );
    const last = massage.at(-1);
    const drains = (l: (typeof massage)[number]) =>
      look.turnsOf(l.segment.id).some((d) => d.move.demands.includes('drain'));
    // Points alone are no massage that has to be drained.
    if (!last || drains(last) || massage.every((l) => l.move.kind === 'point')) return [];
    const drain = massage.findLast((l) => drains(l) && l.phase === last.phase);
    const move = moveFor(
      look,
      (m) => m.demands.includes('drain'),
      (m) => Object.keys(m.areas).length,
    );
    const end = (plan: Plan) => plan.phases[last.phase].length;
    const repair = firstOf([
      drain && {
        label: `Put ${look.nameOf(drain.move.id)} last`,
        apply: (plan: Plan) =>
          moveBlock(plan, drain.block.id, { phase: last.phase, index: end(plan) - 1 }),
      },
      move && {
        label: `Add ${moveText(move, look.plan.language).name}`,
        apply: (plan: Plan) => bring(look, plan, move, last.phase),
      },
    ]);
    const point = drain && last.move.kind === 'point';
    return [
      {
        key: 'no-drain',
        says: point
          ? `${look.nameOf(last.move.id)} comes after the drain`
          : 'No drain at the end of the massage',
        why:
          drain || move
            ? 'It ends from the centre to the sides, down the neck and to the collarbone.'
            : 'It would end by draining, but somebody booked must not be drained, or what it takes is not at hand.',
        segments: [last.segment.id],
        ...(repair && { repair }),
      },
    ];
  },
};
