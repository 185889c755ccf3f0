import {
  blockAsItIsDone,
  changeRules,
  moveIn,
  type Plan,
  passedOver,
  placedSegments,
  type Say,
  type Segment,
  updateBlock,
  updateSegment,
} from '../class';
import { clock } from '../formats';
import { tooMuchSaid } from '../run';
import { isOnlySaid, type LeftOut, OPENING } from '../score';
import { estimateSpeech, utteranceKey } from '../speech';
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
      return {
        label: 'Do without a count-in',
        apply: (p) => spokenBy(p, segmentId, { countIn: false }),
      };
    case 'count':
      return {
        label: 'Count by a soft tone instead',
        apply: (p) => spokenBy(p, segmentId, { counting: 'beat' }),
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

/** What the fields of a plan are called on screen. */
const FIELD_WORDS: Record<string, string> = {
  byRound: 'rounds of their own',
  restSeconds: 'rest',
  cues: 'cues at times of their own',
  variant: 'version',
  uneven: 'side of its own length',
  oneSideFirst: 'one side first',
};
const LONGEST_KEPT_FREE_S = 1800;

/** Opening or closing words that are longer than the time kept free for them. */
function wordsTooLong({ segmentId, text }: LeftOut): ReturnType<Check['find']>[number] {
  const opens = segmentId === OPENING;
  const field = opens ? 'openingSeconds' : 'closingSeconds';
  return {
    key: `cue-too-long ${segmentId}`,
    says: opens ? 'The opening words are not said' : 'The words before questions are not said',
    why: `“${text}” takes longer than the time that is kept free for it.`,
    segments: [],
    repair: {
      label: 'Keep more time free',
      apply: (plan: Plan) => {
        const ms = estimateSpeech(text, plan.language, plan.rules.wordsPerMinute);
        // The voice may take longer than the estimate, and some time is wanted after the words.
        const seconds = Math.max(plan.rules[field] + 1, Math.ceil(ms / 500));
        return changeRules(plan, { [field]: Math.min(LONGEST_KEPT_FREE_S, seconds) });
      },
    },
  };
}

/** A way to speak a segment: of its own where it has one, else by the house rule. */
const spokenBy = (
  plan: Plan,
  segmentId: string,
  rules: Partial<Pick<Segment, 'countIn' | 'counting'>>,
): Plan => {
  const own = updateSegment(plan, segmentId, (s) =>
    Object.keys(rules).some((rule) => s[rule as 'countIn'] !== undefined) ? { ...s, ...rules } : s,
  );
  return changeRules(own, rules);
};

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
      if (isOnlySaid(first.segmentId)) return [wordsTooLong(first)];
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

export const passedOverInSilence: Check = {
  id: 'passed-over',
  title: 'Something cannot be done as it is written',
  severity: 'should',
  find: ({ plan, book, moves, nameOf }) =>
    passedOver(plan, book.move).map(({ path, segmentId, message }) => {
      const placed = placedSegments(plan).find((p) => p.segment.id === segmentId);
      const { block } = placed ?? {};
      const moveId = placed?.segment.move;
      const field = String(path.at(-1));
      return {
        key: `passed-over ${segmentId ?? ''} ${field}`,
        says: moveId ? nameOf(moveId) : 'The moves of the class',
        why: `Its “${FIELD_WORDS[field.split(/[.[]/)[0] ?? ''] ?? field}” ${message}.`,
        segments: segmentId === undefined ? [] : [segmentId],
        ...(block && {
          repair: {
            label: 'Write it as it is done',
            apply: (p: Plan) =>
              updateBlock(p, block.id, (b) =>
                blockAsItIsDone(b, (s) => moveIn(moves, s), plan.language),
              ),
          },
        }),
      };
    }),
};

export const cueTooLong: Check = {
  id: 'cue-too-long',
  title: 'A cue that must be said is longer than its place',
  severity: 'should',
  find: leftOut('cue-too-long', (kind) => kind !== 'form'),
};

const SAID_INSTEAD: Record<Say, string> = {
  all: 'Say all of it',
  short: 'Say it in short',
  names: 'Say names and doses',
  counts: 'Only count',
};

export const leftOutByHabit: Check = {
  id: 'left-out-by-habit',
  title: 'Much of what is said is left out, class after class',
  severity: 'may',
  find: (look) => {
    const { plan, people, talk = [], moves } = look;
    const habit = tooMuchSaid(talk, plan.rules.say);
    // What regulars skip is what somebody who is new needs.
    const somebodyIsNew = people.some(({ met }) => [...moves.keys()].some((id) => !met.has(id)));
    if (!habit || somebodyIsNew) return [];
    const { share, classes, instead } = habit;
    return [
      {
        key: 'left-out-by-habit',
        says: `${Math.round(100 * share)} % of what is said was left out`,
        why: `In your last ${classes} classes that say as much you went on before it was over, so they were planned longer than you lead them. Names, sides, amounts and counts are still said.`,
        segments: [],
        repair: {
          label: SAID_INSTEAD[instead],
          apply: (p: Plan) => changeRules(p, { say: instead }),
        },
      },
    ];
  },
};

export const cannotBeSaid: Check = {
  id: 'cannot-be-said',
  title: 'The voice cannot say a cue',
  severity: 'should',
  find: ({ score, plan, unsaid }) => {
    if (!unsaid?.size) return [];
    const { wordsPerMinute } = plan.rules;
    const silent = new Map<string, Set<string>>();
    for (const { text, language, step } of score.cues) {
      if (!unsaid.has(utteranceKey({ text, language, wordsPerMinute }))) continue;
      const segments = silent.get(text) ?? new Set();
      const segment = score.steps[step]?.segmentId;
      if (segment) segments.add(segment);
      silent.set(text, segments);
    }
    return [...silent].map(([text, segments]) => ({
      key: `cannot-be-said ${text}`,
      says: `The voice cannot say "${shortened(text)}"`,
      why: 'It stays silent there. Write it in other words, record it in your own voice, or say it yourself.',
      segments: [...segments],
    }));
  },
};

const MOST_LETTERS = 60;
const shortened = (text: string): string =>
  text.length > MOST_LETTERS ? `${text.slice(0, MOST_LETTERS - 1)}…` : text;

export const reminderWithoutRoom: Check = {
  id: 'reminder-without-room',
  title: 'A form reminder finds no room in the work',
  severity: 'may',
  find: leftOut('reminder-without-room', (kind) => kind === 'form'),
};
