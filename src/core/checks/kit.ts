import {
  changeRules,
  moveBlock,
  type Plan,
  removeSegment,
  type Segment,
  updateSegment,
} from '../class';
import { inVariant, LANGUAGES, moveText } from '../move';
import { type Check, lines } from './check';
import { claimIn, withoutClaims } from './claims';

export const dryGripAfterGlide: Check = {
  id: 'dry-grip-after-glide',
  title: 'A dry grip is asked for on oiled skin',
  severity: 'must',
  find: (look) => {
    const { skin } = look.plan.rules;
    const all = lines(look);
    const glide = all.findIndex((l) => l.move.surface === 'glide');
    const oiled = skin === 'oil' ? 0 : skin === 'oilToClose' ? glide : -1;
    if (oiled < 0) return [];
    const slips = all.slice(oiled).filter((l) => l.move.surface === 'dry');
    if (slips.length === 0) return [];
    const toFront = (plan: Plan): Plan => {
      const first = all[glide];
      const later = skin === 'oil' ? changeRules(plan, { skin: 'oilToClose' }) : plan;
      if (!first) return later;
      return slips
        .filter((l) => all.indexOf(l) > glide)
        .reduce((next, { block }) => {
          if (block.id === first.block.id) return next;
          const without = next.phases[first.phase].filter((b) => b.id !== block.id);
          const index = without.findIndex((b) => b.id === first.block.id);
          return moveBlock(next, block.id, { phase: first.phase, index });
        }, later);
    };
    return [
      {
        key: 'dry-grip-after-glide',
        says: `${slips
          .map((l) => look.nameOf(l.move.id))
          .slice(0, 3)
          .join(', ')}: a dry grip on oil`,
        why: 'Firm fingers slip on oily skin and drag it. Do dry grips before the oil goes on.',
        segments: slips.map((l) => l.segment.id),
        repair: { label: 'Do them before the oil', apply: toFront },
      },
    ];
  },
};

const PROP_NAMES = { mirror: 'A mirror', oil: 'Oil or cream', pen: 'A pen', cushion: 'A cushion' };

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
        says: `${PROP_NAMES[prop]}: not on the kit list`,
        why: `${users.map((l) => look.nameOf(l.move.id)).join(', ')}. Tell people to bring it, or swap the move.`,
        segments: users.map((l) => l.segment.id),
        repair: {
          label: 'Put it on the kit list',
          apply: (p: Plan) => ({ ...p, kit: [...p.kit, prop] }),
        },
      };
    });
    const gliding = plan.rules.skin === 'dry' ? all.filter((l) => l.move.surface === 'glide') : [];
    if (gliding.length === 0) return found;
    return [
      ...found,
      {
        key: 'missing-prop glide',
        says: 'Strokes that need glide in a dry class',
        why: `${gliding.map((l) => look.nameOf(l.move.id)).join(', ')} would drag the skin.`,
        segments: gliding.map((l) => l.segment.id),
        repair: {
          label: 'Oil for the closing massage',
          apply: (p: Plan) => changeRules(p, { skin: 'oilToClose' }),
        },
      },
    ];
  },
};

export const weeklyCap: Check = {
  id: 'weekly-cap',
  title: 'A move comes more often a week than it should',
  severity: 'must',
  find: (look) => {
    const uses = new Map<string, string[]>();
    for (const { segment, move } of lines(look)) {
      const done = inVariant(move, segment.variant);
      // The cap is for strong pressure; the easier version without it may come as often as it likes.
      const capped =
        move.weeklyCap !== undefined && (move.pressure !== 'strong' || done.pressure === 'strong');
      if (capped) uses.set(move.id, [...(uses.get(move.id) ?? []), segment.id]);
    }
    return [...uses].flatMap(([moveId, ids]) => {
      const move = look.moveOf(moveId);
      const cap = move?.weeklyCap ?? 7;
      const times = ids.length * Math.max(1, look.sessionsAWeek);
      if (times <= cap || !move) return [];
      const gentler = inVariant(move, 'easier').pressure !== 'strong' && move.variants.easier;
      const keep = look.sessionsAWeek > cap ? 0 : Math.floor(cap / Math.max(1, look.sessionsAWeek));
      const extra = ids.slice(keep);
      return [
        {
          key: `weekly-cap ${moveId}`,
          says: `${look.nameOf(moveId)}: ${times} times a week`,
          why: `Strong knuckles and the like at most ${cap === 1 ? 'once' : `${cap} times`} a week; skin and muscle need the days between.`,
          segments: ids,
          repair: {
            label: gentler ? 'Do the easier version' : 'Take it out',
            apply: (plan: Plan) =>
              extra.reduce(
                (next, id) =>
                  gentler
                    ? updateSegment(next, id, (s) => ({ ...s, variant: 'easier' as const }))
                    : removeSegment(next, id),
                plan,
              ),
          },
        },
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
