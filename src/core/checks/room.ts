import { changeRules, type Plan, removeSegment, updateSegment } from '../class';
import { type CautionEffect, concerns, inVariant, mainArea, moveText } from '../move';
import { type Check, lines, moveFor } from './check';

const EFFECT_WORDS: Record<CautionEffect, string> = {
  leaveOut: 'should leave it out',
  easier: 'should do the easier version',
  askFirst: 'should be asked first',
  feather: 'should be feather-light',
  checkOil: 'should have the oil checked',
};
/** What is settled by a word before the class needs no change of it. */
const TOLD: readonly CautionEffect[] = ['askFirst', 'feather', 'checkOil'];

const people = (n: number) => (n === 1 ? '1 person' : `${n} people`);

export const personCaution: Check = {
  id: 'person-caution',
  title: 'Somebody booked carries a caution against a move',
  severity: 'must',
  find: (look) =>
    lines(look).flatMap(({ segment, move }) => {
      const done = inVariant(move, segment.variant);
      const byEffect = new Map<CautionEffect, { names: string[]; words: string }>();
      for (const person of look.people) {
        for (const { effect, words } of concerns(done, person.cautions)) {
          if (TOLD.includes(effect)) continue;
          const entry = byEffect.get(effect) ?? { names: [], words };
          if (!entry.names.includes(person.name)) entry.names.push(person.name);
          byEffect.set(effect, entry);
        }
      }
      const name = look.nameOf(move.id);
      return [...byEffect].map(([effect, { names, words }]) => {
        const swap = moveFor(
          look,
          (m) => m.kind === move.kind && mainArea(m) === mainArea(move),
          (m) => (m.hands === move.hands ? 1 : 0),
        );
        const repair =
          effect === 'easier'
            ? {
                label: 'The easier version for all',
                apply: (plan: Plan) =>
                  updateSegment(plan, segment.id, (s) => ({
                    ...s,
                    variant: 'easier' as const,
                    byRound: s.byRound?.map(({ variant: _, ...r }) => r),
                  })),
              }
            : swap
              ? {
                  label: `Swap for ${moveText(swap, look.plan.language).name}`,
                  apply: (plan: Plan) =>
                    updateSegment(plan, segment.id, (s) => ({
                      id: s.id,
                      move: swap.id,
                      dose: swap.dose,
                      sides: swap.sides,
                      rounds: swap.rounds,
                      releaseSeconds: swap.releaseSeconds,
                      restSeconds: s.restSeconds,
                    })),
                }
              : {
                  label: 'Take it out',
                  apply: (plan: Plan) => removeSegment(plan, segment.id),
                };
        return {
          key: `person-caution ${segment.id} ${effect}`,
          says: `${people(names.length)} ${EFFECT_WORDS[effect]}: ${name}`,
          why: words,
          segments: [segment.id],
          people: names,
          repair,
        };
      });
    }),
};

/** Cautions that a word before the class settles: ask, go lightly, check the oil. */
export const personToAsk: Check = {
  id: 'person-to-ask',
  title: 'Somebody booked should be asked or told something first',
  severity: 'may',
  find: (look) => {
    const all = lines(look);
    return look.people.flatMap((person) => {
      const told = new Map<string, string[]>();
      for (const { segment, move } of all) {
        for (const c of concerns(inVariant(move, segment.variant), person.cautions)) {
          if (TOLD.includes(c.effect))
            told.set(c.words, [...(told.get(c.words) ?? []), segment.id]);
        }
      }
      return [...told].map(([words, ids]) => ({
        key: `person-to-ask ${person.id} ${words}`,
        says: `1 person: ${words}`,
        why: 'A quiet word before the class; their clinician decides.',
        segments: ids,
        people: [person.name],
      }));
    });
  },
};

export const newToSomebody: Check = {
  id: 'new-to-somebody',
  title: 'A move is new to somebody and is not explained to them',
  severity: 'should',
  find: (look) => {
    const { explain } = look.plan.rules;
    if (explain !== 'names-only') return [];
    const fresh = lines(look).flatMap(({ segment, move }) => {
      const names = look.people.filter((p) => !p.met.has(move.id)).map((p) => p.name);
      return names.length ? [{ segment, name: look.nameOf(move.id), names }] : [];
    });
    const names = [...new Set(fresh.flatMap((f) => f.names))];
    if (fresh.length === 0) return [];
    return [
      {
        key: 'new-to-somebody',
        says: `New to ${people(names.length)}: ${[...new Set(fresh.map((f) => f.name))].slice(0, 3).join(', ')}`,
        why: 'Newcomers need the whole explanation before the work; regulars do not.',
        segments: fresh.map((f) => f.segment.id),
        people: names,
        repair: {
          label: 'Explain what is new in full',
          apply: (plan: Plan) => changeRules(plan, { explain: 'new-in-room' }),
        },
      },
    ];
  },
};
