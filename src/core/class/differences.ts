import { doseLabel, type Variant } from '../move';
import { blocksOf, PHASE_NAMES, type Plan, placedSegments, type Segment } from './plan';

/** One thing that differs between two states of a class. */
export interface Difference {
  /** The segment concerned; none where it is about the class as a whole. */
  segmentId?: string;
  moveId?: string;
  /** What differs, such as "dose" or "rounds". */
  what: string;
  before: string;
  after: string;
}

const NONE = '';
const AS_CLASS = 'as the class';
const variantName = (variant: Variant | undefined) => variant ?? 'as usual';
const seconds = (n: number) => `${Math.round(n * 100) / 100} s`;
const yes = (on: boolean | undefined) => (on ? 'yes' : 'no');
const json = (value: unknown) => JSON.stringify(value ?? null);

/** What can differ in a segment, and how each is written for a teacher. */
const FIELDS: [what: string, of: (segment: Segment) => string][] = [
  ['dose', (s) => doseLabel(s.dose)],
  ['sides', (s) => s.sides],
  ['rounds', (s) => `${s.rounds}`],
  ['release', (s) => seconds(s.releaseSeconds)],
  ['let go by', (s) => s.release ?? 'as the move does'],
  ['rest', (s) => seconds(s.restSeconds)],
  ['version', (s) => variantName(s.variant)],
  ['how much is said', (s) => s.say ?? AS_CLASS],
  ['counting', (s) => s.counting ?? AS_CLASS],
  ['count-in', (s) => (s.countIn === undefined ? AS_CLASS : yes(s.countIn))],
  ['"go"', (s) => (s.go === undefined ? AS_CLASS : yes(s.go))],
  ['breath words', (s) => s.breathWords ?? AS_CLASS],
  ['later rounds straight on', (s) => (s.straightOn === undefined ? AS_CLASS : yes(s.straightOn))],
  ['stages', (s) => s.stages?.map((stage) => stage.words).join(' ') ?? 'none'],
  ['uneven side', (s) => (s.uneven ? `${s.uneven.side}, ${doseLabel(s.uneven.dose)}` : 'none')],
  ['locked', (s) => yes(s.locked)],
  ['may be left out', (s) => yes(s.optional)],
];

/** What differs between two states of a class, the class as a whole first, then in running order. */
export function differences(before: Plan, after: Plan): Difference[] {
  const list: Difference[] = [];
  const note = (what: string, a: string, b: string, of?: Segment) => {
    if (a !== b) {
      list.push({ what, before: a, after: b, ...(of && { segmentId: of.id, moveId: of.move }) });
    }
  };
  note('name', before.name, after.name);
  note('slot', `${before.slotSeconds / 60} min`, `${after.slotSeconds / 60} min`);
  note('language', before.language, after.language);
  if (json(before.second) !== json(after.second)) note('second language', NONE, 'changed');
  if (json(before.music) !== json(after.music)) note('music', NONE, 'changed');
  if (json(before.aim) !== json(after.aim)) note('aim', NONE, 'changed');
  note('kit', before.kit.join(', '), after.kit.join(', '));
  for (const rule of Object.keys({ ...before.rules, ...after.rules }) as (keyof Plan['rules'])[]) {
    note(
      `house rule ${rule}`,
      String(before.rules[rule] ?? 'none'),
      String(after.rules[rule] ?? 'none'),
    );
  }
  const was = new Map(placedSegments(before).map((p) => [p.segment.id, p]));
  const now = placedSegments(after);
  const kept = new Set(now.map((p) => p.segment.id));
  for (const { segment } of was.values()) {
    if (!kept.has(segment.id)) note('segment', 'there', 'taken out', segment);
  }
  const blocks = new Map(blocksOf(before).map((b) => [b.id, b]));
  const moved = movedIds(
    [...was.keys()].filter((id) => kept.has(id)),
    now.map((p) => p.segment.id).filter((id) => was.has(id)),
  );
  for (const { phase, block, segment } of now) {
    const old = was.get(segment.id);
    if (!old) {
      note('segment', 'not there', `added to ${PHASE_NAMES[phase].toLowerCase()}`, segment);
      continue;
    }
    if (old.segment.move !== segment.move) note('move', old.segment.move, segment.move, segment);
    for (const [what, of] of FIELDS) note(what, of(old.segment), of(segment), segment);
    if (json(old.segment.byRound) !== json(segment.byRound)) {
      note('rounds of their own', NONE, 'changed', segment);
    }
    if (json(old.segment.cues) !== json(segment.cues)) note('cues', NONE, 'changed', segment);
    if (old.phase !== phase) note('phase', PHASE_NAMES[old.phase], PHASE_NAMES[phase], segment);
    else if (moved.has(segment.id)) note('place', NONE, 'moved', segment);
    const oldBlock = blocks.get(block.id);
    if (block.segments[0] === segment || block.segments[0]?.id === segment.id) {
      note('done as', oldBlock?.order ?? 'straight', block.order, segment);
      note('laps', `${oldBlock?.laps ?? 1}`, `${block.laps}`, segment);
      note('one side first', yes(oldBlock?.oneSideFirst), yes(block.oneSideFirst), segment);
      note('opening sentence', oldBlock?.opening ?? NONE, block.opening ?? NONE, segment);
      note('one flow', yes(oldBlock?.flow), yes(block.flow), segment);
      if (json(oldBlock?.loops) !== json(block.loops)) note('loops', NONE, 'changed', segment);
    }
  }
  return list;
}

/** The fewest ids that must have moved for one order to become the other. */
function movedIds(before: readonly string[], after: readonly string[]): Set<string> {
  const rank = new Map(before.map((id, i) => [id, i]));
  const ranks = after.map((id) => rank.get(id) ?? 0);
  const length: number[] = [];
  const from: number[] = [];
  let best = -1;
  ranks.forEach((r, i) => {
    length[i] = 1;
    from[i] = -1;
    for (let j = 0; j < i; j++) {
      if ((ranks[j] ?? 0) < r && (length[j] ?? 0) + 1 > (length[i] ?? 0)) {
        length[i] = (length[j] ?? 0) + 1;
        from[i] = j;
      }
    }
    if (best < 0 || (length[i] ?? 0) > (length[best] ?? 0)) best = i;
  });
  const stayed = new Set<string>();
  for (let i = best; i >= 0; i = from[i] ?? -1) stayed.add(after[i] ?? '');
  return new Set(after.filter((id) => !stayed.has(id)));
}
