import { changeRules, type Plan, type Segment, updateSegment } from '../class';
import { clock } from '../formats';
import type { LeftOut } from '../score';
import type { Check, Look, Repair } from './check';

export const slotOverrun: Check = {
  id: 'slot-overrun',
  title: 'The class is longer than its slot',
  severity: 'must',
  find: ({ score }) => {
    const over = score.totalMs - score.slotMs;
    if (over <= 0) return [];
    return [
      {
        key: 'slot-overrun',
        says: `${clock(over)} longer than the slot`,
        why: 'People have a bus, a shift or a lunch break to go to.',
        segments: [],
        fit: true,
      },
    ];
  },
};

const mute = (segment: Segment, refs: readonly string[]): Segment => {
  const muted = [...new Set([...(segment.cues?.muted ?? []), ...refs])];
  return { ...segment, cues: { ...segment.cues, muted } };
};

const leftOutOf = (look: Look, plan: Plan, segmentId: string) =>
  look.compile(plan).leftOut.filter((l) => l.segmentId === segmentId);

/**
 * Most times that cues are made room for. When one reminder goes, another may take its turn that does not
 * fit either, so it is looked again.
 */
const MOST_GOES = 12;

/** How each kind of cue that finds no place is given one, or is left unsaid on purpose. */
function repairFor(look: Look, segmentId: string, kind: LeftOut['kind']): Repair {
  switch (kind) {
    case 'letGo':
    case 'release':
      return {
        label: 'Lengthen the release',
        apply: (plan) => {
          let next = plan;
          for (let go = 0; go < 60; go++) {
            const still = leftOutOf(look, next, segmentId).some((l) => l.kind === kind);
            if (!still) break;
            next = updateSegment(next, segmentId, (s) => ({
              ...s,
              releaseSeconds: Math.min(120, Math.floor(s.releaseSeconds) + 1),
            }));
          }
          return next;
        },
      };
    case 'countIn':
      return { label: 'Do without a count-in', apply: (p) => changeRules(p, { countIn: false }) };
    case 'count':
      return {
        label: 'Count by a soft tone instead',
        apply: (p) => changeRules(p, { counting: 'beat' }),
      };
    case 'setup':
    case 'short':
      return {
        label: 'Explain before the work',
        apply: (plan) => {
          const said = updateSegment(plan, segmentId, (s) => {
            const { pins: _, ...cues } = s.cues ?? {};
            return { ...s, cues };
          });
          return changeRules(said, { explain: 'first' });
        },
      };
    default:
      return {
        label: 'Leave it unsaid',
        apply: (plan) => {
          let next = plan;
          for (let go = 0; go < MOST_GOES; go++) {
            const refs = leftOutOf(look, next, segmentId).flatMap((l) =>
              l.kind === kind && l.ref ? [l.ref] : [],
            );
            if (refs.length === 0) break;
            next = updateSegment(next, segmentId, (s) => mute(s, refs));
          }
          return next;
        },
      };
  }
}

/** One finding a segment and kind of cue, however many rounds it concerns. */
const leftOut =
  (id: string, concerns: (kind: LeftOut['kind']) => boolean): Check['find'] =>
  (look) => {
    const groups = new Map<string, LeftOut[]>();
    for (const out of look.score.leftOut) {
      if (!concerns(out.kind)) continue;
      const key = `${id} ${out.segmentId} ${out.kind}`;
      groups.set(key, [...(groups.get(key) ?? []), out]);
    }
    return [...groups].flatMap(([key, outs]) => {
      const [first] = outs;
      if (!first) return [];
      const texts = [...new Set(outs.map((o) => `“${o.text}”`))];
      const [line] = look.turnsOf(first.segmentId);
      const name = line ? look.nameOf(line.turn.segment.move) : '';
      return [
        {
          key,
          says: `${name}: ${texts.length === 1 ? 'a cue' : `${texts.length} cues`} not said`,
          why: `${texts.slice(0, 3).join(' ')} ${first.reason}`,
          segments: [first.segmentId],
          repair: repairFor(look, first.segmentId, first.kind),
        },
      ];
    });
  };

export const cueTooLong: Check = {
  id: 'cue-too-long',
  title: 'A cue that must be said is longer than its place',
  severity: 'should',
  find: leftOut('cue-too-long', (kind) => kind !== 'form'),
};

export const reminderWithoutRoom: Check = {
  id: 'reminder-without-room',
  title: 'A form reminder finds no room in the work',
  severity: 'may',
  find: leftOut('reminder-without-room', (kind) => kind === 'form'),
};
