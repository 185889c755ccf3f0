import {
  allEasier,
  changeRules,
  moveBlock,
  type PhaseName,
  type Plan,
  removeSegments,
  type Segment,
  updateSegment,
} from '../class';
import { LANGUAGES } from '../language';
import { inVariant, type Move, moveText, PROP_NAMES } from '../move';
import { type Check, firstOf, type Look, lines, lookAt, segmentsDone } from './check';
import { claimIn, withoutClaims } from './claims';

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
      label: 'Do the easier version',
      apply: (plan: Plan) =>
        segments.reduce((next, id) => updateSegment(next, id, allEasier), plan),
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

/** A segment's own words through a change. */
function inOwnWords(segment: Segment, change: (text: string) => string): Segment {
  const { cues } = segment;
  if (!cues) return segment;
  const { announce, setup, short, form, letGo, ...rest } = cues;
  return {
    ...segment,
    cues: {
      ...rest,
      ...(announce !== undefined && { announce: change(announce) }),
      ...(setup && { setup: setup.map(change) }),
      ...(short !== undefined && { short: change(short) }),
      ...(form && { form: form.map(change) }),
      ...(letGo !== undefined && { letGo: change(letGo) }),
    },
  };
}

export const claims: Check = {
  id: 'claims',
  title: 'The words claim more than is true',
  severity: 'should',
  find: (look) => {
    const { plan } = look;
    return lines(look).flatMap(({ segment, move }) => {
      const own = segment.cues;
      const written = own
        ? [own.announce, own.short, own.letGo, ...(own.setup ?? []), ...(own.form ?? [])]
        : [];
      // A move of the studio's own may claim too; there the words of the segment replace it.
      const text = moveText(move, plan.language);
      const said = [...written, own?.setup ? [] : text.setup, own?.form ? [] : text.form].flat();
      const language = LANGUAGES.find((l) => said.some((t) => t && claimIn(t, l)));
      const found = said.flatMap((t) => (t && language && claimIn(t, language)) || []);
      const [first] = found;
      if (!first || !language) return [];
      const plain = (t: string) => withoutClaims(t, language);
      return [
        {
          key: `claims ${segment.id}`,
          says: `${look.nameOf(move.id)} says “${first.claim}”`,
          why: `Careful teachers say “${first.instead}” instead: muscles can be toned and places freshened, no more can be promised.`,
          segments: [segment.id],
          repair: {
            label: `Say “${first.instead.split(',')[0]}”`,
            apply: (p: Plan) =>
              updateSegment(p, segment.id, (s) =>
                inOwnWords(
                  {
                    ...s,
                    cues: {
                      ...s.cues,
                      setup: s.cues?.setup ?? text.setup,
                      form: s.cues?.form ?? text.form,
                    },
                  },
                  plain,
                ),
              ),
          },
        },
      ];
    });
  },
};
