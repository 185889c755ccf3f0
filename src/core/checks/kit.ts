import {
  allEasier,
  blocksOf,
  changeRules,
  moveBlock,
  type PhaseName,
  type Plan,
  placedSegments,
  removeSegments,
  type Segment,
  updateSegment,
} from '../class';
import type { Language } from '../language';
import { cuesOf, inVariant, type Move, PROP_NAMES } from '../move';
import {
  type Check,
  firstOf,
  inWordsOfMove,
  type Look,
  lines,
  lookAt,
  segmentsDone,
} from './check';
import { type Claim, claimIn } from './claims';

/** Phases in which a class that oils for its closing massage has oil on the skin. */
const OILED: readonly PhaseName[] = ['massage', 'close'];

/** Whether a move as it is done cannot do without oil. */
const needsOil = (move: Move) => move.surface === 'glide' && move.props.includes('oil');

/**
 * From which turn on there is oil on the skin: from the start, from the first stroke of the closing massage
 * that needs it, or never. A stroke that could glide, or comes before, puts none on.
 */
function oiledFrom(look: Look): number {
  const { skin } = look.plan.rules;
  if (skin === 'oil') return 0;
  if (skin !== 'oilToClose') return Number.POSITIVE_INFINITY;
  const first = look.done.findIndex(
    ({ turn, move }) => OILED.includes(turn.phase) && needsOil(move),
  );
  return first < 0 ? Number.POSITIVE_INFINITY : first;
}

const slipsIn = (look: Look) => {
  const from = oiledFrom(look);
  return look.done.filter(({ move }, i) => i >= from && move.surface === 'dry');
};

export const dryGripAfterGlide: Check = {
  id: 'dry-grip-after-glide',
  title: 'A dry grip is asked for on oiled skin',
  severity: 'must',
  find: (look) => {
    const from = oiledFrom(look);
    const slips = slipsIn(look);
    const ids = [...new Set(slips.map((d) => d.turn.segment.id))];
    if (ids.length === 0) return [];
    const all = lines(look);
    const slipping = all.filter((l) => ids.includes(l.segment.id));
    const first = all.find((l) => l.segment.id === look.done[from]?.turn.segment.id);
    const toFront = (plan: Plan): Plan => {
      const later =
        plan.rules.skin === 'oil' ? changeRules(plan, { skin: 'oilToClose' as const }) : plan;
      if (!first || plan.rules.skin === 'oil') return later;
      return slipping.reduce((next, { block }) => {
        if (block.id === first.block.id) return next;
        const without = next.phases[first.phase].filter((b) => b.id !== block.id);
        const index = without.findIndex((b) => b.id === first.block.id);
        return moveBlock(next, block.id, { phase: first.phase, index });
      }, later);
    };
    const out = (plan: Plan): Plan => removeSegments(plan, ids);
    const helps = (apply: (plan: Plan) => Plan) => {
      const plan = apply(look.plan);
      return slipsIn(lookAt({ ...look, plan })).length === 0;
    };
    const repair = firstOf([
      helps(toFront) && { label: 'Do them before the oil', apply: toFront },
      { label: 'Take them out', apply: out },
    ]);
    return [
      {
        key: 'dry-grip-after-glide',
        says: `${slipping
          .map((l) => look.nameOf(l.move.id))
          .slice(0, 3)
          .join(', ')}: a dry grip on oil`,
        why: 'Firm fingers slip on oily skin and drag it. Do dry grips before the oil goes on.',
        segments: ids,
        ...(repair && { repair }),
      },
    ];
  },
};

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

export const missingProp: Check = {
  id: 'missing-prop',
  title: 'Something is needed that nobody has at hand',
  severity: 'should',
  find: (look) => {
    const { plan } = look;
    const all = lines(look);
    const missing = [...new Set(all.flatMap((l) => l.move.props))].filter(
      (prop) => !plan.kit.includes(prop),
    );
    const found = missing.map((prop) => {
      const users = all.filter((l) => l.move.props.includes(prop));
      return {
        key: `missing-prop ${prop}`,
        says: `${capital(PROP_NAMES[prop])}: not on the kit list`,
        why: `${users.map((l) => look.nameOf(l.move.id)).join(', ')}. Tell people to bring it, or swap the move.`,
        segments: users.map((l) => l.segment.id),
        repair: {
          label: 'Put it on the kit list',
          apply: (p: Plan) => ({ ...p, kit: [...p.kit, prop] }),
        },
      };
    });
    const dragging = look.done.filter(
      ({ turn, move }) =>
        move.surface === 'glide' &&
        (plan.rules.skin === 'dry' ||
          (plan.rules.skin === 'oilToClose' && needsOil(move) && !OILED.includes(turn.phase))),
    );
    const ids = [...new Set(dragging.map((d) => d.turn.segment.id))];
    if (ids.length === 0) return found;
    const dry = plan.rules.skin === 'dry';
    const names = all.filter((l) => ids.includes(l.segment.id)).map((l) => look.nameOf(l.move.id));
    const toMassage = (p: Plan) =>
      all
        .filter((l) => ids.includes(l.segment.id))
        .reduce(
          (next, { block }) => moveBlock(next, block.id, { phase: 'massage', index: 0 }),
          changeRules(p, { skin: 'oilToClose' }),
        );
    return [
      ...found,
      {
        key: 'missing-prop glide',
        says: dry
          ? 'Strokes that need glide in a dry class'
          : 'Strokes that need oil before there is any',
        why: `${names.join(', ')} would drag the skin.`,
        segments: ids,
        repair: {
          label: dry ? 'Oil for the closing massage' : 'Do them in the massage',
          apply: dry ? (p: Plan) => changeRules(p, { skin: 'oilToClose' }) : toMassage,
        },
      },
    ];
  },
};

/** Segments of moves that have a cap a week, by the id of the move. */
export function cappedUses(look: Look): ReadonlyMap<string, string[]> {
  const uses = new Map<string, string[]>();
  for (const { segment, move, ways } of segmentsDone(look)) {
    // The cap is for strong pressure; a version without it may come as often as it likes.
    const capped =
      move.weeklyCap !== undefined &&
      (move.pressure !== 'strong' || ways.some((way) => way.pressure === 'strong'));
    if (capped) uses.set(move.id, [...(uses.get(move.id) ?? []), segment.id]);
  }
  return uses;
}

const capWords = (cap: number): string =>
  `Strong knuckles and the like at most ${cap === 1 ? 'once' : `${cap} times`} a week; skin and muscle need the days between.`;

/** A move that comes too often a week, and what to do instead. */
export function overTheCap(
  look: Look,
  { key, says, move, segments }: { key: string; says: string; move: Move; segments: string[] },
) {
  const gentler = move.variants.easier && inVariant(move, 'easier').pressure !== 'strong';
  const repair = firstOf([
    gentler && {
      label: inWordsOfMove(
        'Do the easier version',
        placedSegments(look.plan).flatMap(({ segment }) =>
          segments.includes(segment.id) ? segment : [],
        ),
        move,
      ),
      apply: (plan: Plan) =>
        segments.reduce((next, id) => updateSegment(next, id, (s) => allEasier(s, move)), plan),
    },
    { label: 'Take it out', apply: (plan: Plan) => removeSegments(plan, segments) },
  ]);
  return {
    key: `${key} ${move.id}`,
    says: `${look.nameOf(move.id)}: ${says}`,
    why: capWords(move.weeklyCap ?? 7),
    segments,
    ...(repair && { repair }),
  };
}

export const weeklyCap: Check = {
  id: 'weekly-cap',
  title: 'A move comes more often a week than it should',
  severity: 'must',
  find: (look) => {
    const times = Math.max(1, look.sessionsAWeek);
    return [...cappedUses(look)].flatMap(([moveId, segments]) => {
      const move = look.moves.get(moveId);
      if (!move || times <= (move.weeklyCap ?? 7)) return [];
      return [
        overTheCap(look, { key: 'weekly-cap', says: `${times} times a week`, move, segments }),
      ];
    });
  },
};

/** The segment with the words of its move, where its own claim something. */
function withoutOwnClaims(segment: Segment, isClaim: (text: string) => boolean): Segment {
  const { cues } = segment;
  if (!cues) return segment;
  const claims = (words: string | readonly string[] | undefined) =>
    [words ?? []].flat().some(isClaim);
  const kept = Object.entries(cues).filter(
    ([kind, words]) => kind === 'muted' || kind === 'pins' || !claims(words as string | string[]),
  );
  const { cues: _, ...rest } = segment;
  return kept.length ? { ...rest, cues: Object.fromEntries(kept) } : rest;
}

/** What a move claims in a language; each is looked at once. */
const ofMove = new WeakMap<Move, Map<Language, Claim | null>>();
function claimOf(move: Move, language: Language): Claim | null {
  const known = ofMove.get(move) ?? new Map<Language, Claim | null>();
  ofMove.set(move, known);
  const text = move.text[language];
  let claim = known.get(language);
  if (claim === undefined) {
    const all = text ? [text.name, ...cuesOf(text)] : [];
    claim = all.map((t) => claimIn(t, language)).find((c) => c !== null) ?? null;
    known.set(language, claim);
  }
  return claim;
}

const WHY =
  'Muscles can be toned and places freshened; no more can be promised. Put it plainly, such as';

export const claims: Check = {
  id: 'claims',
  title: 'The words claim more than is true',
  severity: 'should',
  find: (look) => {
    const { plan } = look;
    const { language } = plan;
    const languages = [language, ...(plan.second ? [plan.second.language] : [])];
    const firstIn = (texts: readonly (string | undefined)[]) =>
      texts.map((t) => (t ? claimIn(t, language) : null)).find((c) => c !== null);
    const told = (key: string, who: string, { claim, instead }: Claim) => ({
      key: `claims ${key}`,
      says: `${who} “${claim}”`,
      why: `${WHY} “${instead}”.`,
    });
    const { openingWords, closingWords } = plan.rules;
    const openings = blocksOf(plan).map((b) => b.opening);
    const ofClass = firstIn([openingWords, closingWords, ...openings]);
    const ofSegments = lines(look).flatMap(({ segment, move }) => {
      const { muted: _, pins: _pins, ...own } = segment.cues ?? {};
      const stages = segment.stages?.map((s) => s.words) ?? [];
      const inOwn = firstIn(Object.values(own).flat());
      const found =
        inOwn ?? firstIn(stages) ?? languages.map((l) => claimOf(move, l)).find((c) => c !== null);
      if (!found) return [];
      const isClaim = (text: string) => claimIn(text, language) !== null;
      return [
        {
          ...told(segment.id, `${look.nameOf(move.id)} says`, found),
          segments: [segment.id],
          ...(inOwn && {
            repair: {
              label: 'Say it in the words of the move',
              apply: (p: Plan) => updateSegment(p, segment.id, (s) => withoutOwnClaims(s, isClaim)),
            },
          }),
        },
      ];
    });
    if (!ofClass) return ofSegments;
    return [
      { ...told('class', 'The words of the class say', ofClass), segments: [] },
      ...ofSegments,
    ];
  },
};
