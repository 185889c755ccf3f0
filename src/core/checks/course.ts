import { moveBlock, type Plan } from '../class';
import { moveText } from '../move';
import { type Check, lines, moveFor } from './check';
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
            apply: (plan: Plan) => bring(plan, move),
          },
        }),
      },
    ];
  },
};

export const noDrainAtTheEnd: Check = {
  id: 'no-drain',
  title: 'The massage does not end by draining',
  severity: 'should',
  find: (look) => {
    const massage = lines(look).filter((l) => l.move.kind === 'massage' && l.phase !== 'warmUp');
    const last = massage.at(-1);
    if (!last || last.move.demands.includes('drain')) return [];
    const drain = massage.find((l) => l.move.demands.includes('drain') && l.phase === last.phase);
    const move = moveFor(
      look,
      (m) => m.demands.includes('drain'),
      (m) => Object.keys(m.areas).length,
    );
    const end = (plan: Plan) => plan.phases[last.phase].length;
    const repair = drain
      ? {
          label: `Put ${look.nameOf(drain.move.id)} last`,
          apply: (plan: Plan) =>
            moveBlock(plan, drain.block.id, { phase: last.phase, index: end(plan) - 1 }),
        }
      : move && {
          label: `Add ${moveText(move, look.plan.language).name}`,
          apply: (plan: Plan) => bring(plan, move, last.phase),
        };
    return [
      {
        key: 'no-drain',
        says: 'No drain at the end of the massage',
        why: 'It ends from the centre to the sides, down the neck and to the collarbone.',
        segments: [last.segment.id],
        ...(repair && { repair }),
      },
    ];
  },
};
