import {
  allEasier,
  changeRules,
  onFromTheStart,
  type Plan,
  removeSegment,
  updateSegment,
} from '../class';
import {
  type Caution,
  type CautionEffect,
  checkOnSkin,
  concerns,
  HANDS_FREE_RELEASE,
  isAllergic,
  type Move,
  mainArea,
  moveText,
  touchedAreas,
} from '../move';
import {
  type Check,
  firstOf,
  inWordsOfMove,
  type Look,
  lines,
  moveFor,
  segmentFor,
  segmentsDone,
} from './check';

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

/** Who has something against the ways a segment is done, by what follows from it; the gravest for each. */
function concerned(look: Look, ways: readonly Move[]) {
  const byEffect = new Map<CautionEffect, { names: string[]; words: string }>();
  for (const person of look.people) {
    const all = ways.flatMap((way) => concerns(way, person.cautions));
    const settled = new Map<Caution, (typeof all)[number]>();
    for (const c of all) {
      // Where one round can only be left out, an easier version of another does not settle it.
      if (settled.get(c.caution)?.effect !== 'leaveOut') settled.set(c.caution, c);
    }
    for (const { effect, words } of settled.values()) {
      if (TOLD.includes(effect)) continue;
      const entry = byEffect.get(effect) ?? { names: [], words };
      if (!entry.names.includes(person.name)) entry.names.push(person.name);
      byEffect.set(effect, entry);
    }
  }
  return byEffect;
}

export const personCaution: Check = {
  id: 'person-caution',
  title: 'Somebody booked carries a caution against a move',
  severity: 'must',
  find: (look) =>
    segmentsDone(look).flatMap(({ segment, move, ways }) => {
      const name = look.nameOf(move.id);
      return [...concerned(look, ways)].map(([effect, { names, words }]) => {
        const swap = moveFor(
          look,
          (m) => m.kind === move.kind && mainArea(m) === mainArea(move),
          (m) => (m.hands === move.hands ? 1 : 0),
        );
        const swapIn = (plan: Plan, to: Move) =>
          updateSegment(plan, segment.id, (s) => ({
            ...segmentFor(look, to, s.id),
            restSeconds: s.restSeconds,
          }));
        const out = {
          label: 'Take it out',
          apply: (plan: Plan) => removeSegment(plan, segment.id),
        };
        const repair = firstOf([
          effect === 'easier' && {
            label: inWordsOfMove('The easier version for all', [segment], move),
            apply: (plan: Plan) => updateSegment(plan, segment.id, (s) => allEasier(s, move)),
          },
          swap && {
            label: `Swap for ${moveText(swap, look.plan.language).name}`,
            apply: (plan: Plan) => swapIn(plan, swap),
          },
          out,
        ]);
        return {
          key: `person-caution ${segment.id} ${effect}`,
          says: `${people(names.length)} ${EFFECT_WORDS[effect]}: ${name}`,
          why: words,
          segments: [segment.id],
          people: names,
          ...(repair && { repair }),
        };
      });
    }),
};

/** A release is touch as well: what may not be touched is not tapped off either. */
export const personRelease: Check = {
  id: 'person-release',
  title: 'Somebody booked should not be tapped or stroked where a move is let go',
  severity: 'must',
  find: (look) =>
    segmentsDone(look).flatMap(({ segment, move, releases }) => {
      const all = concerned(look, releases);
      const names = [...new Set([...all.values()].flatMap((c) => c.names))];
      const [first] = all.values();
      if (!first) return [];
      const repair = firstOf([
        {
          label: 'Let go with two slow breaths',
          apply: (plan: Plan) =>
            updateSegment(plan, segment.id, (s) => ({ ...s, release: HANDS_FREE_RELEASE })),
        },
        {
          label: 'Let go without hands',
          apply: (plan: Plan) =>
            updateSegment(plan, segment.id, (s) => ({ ...s, release: 'none' as const })),
        },
      ]);
      return [
        {
          key: `person-release ${segment.id}`,
          says: `${people(names.length)} should not be touched at the release: ${look.nameOf(move.id)}`,
          why: first.words,
          segments: [segment.id],
          people: names,
          ...(repair && { repair }),
        },
      ];
    }),
};

/** Cautions that a word before the class settles: ask, go lightly, check the oil. */
export const personToAsk: Check = {
  id: 'person-to-ask',
  title: 'Somebody booked should be asked or told something first',
  severity: 'may',
  find: (look) => {
    const all = segmentsDone(look);
    const onSkin = onFromTheStart(look.plan.rules);
    return look.people.flatMap((person) => {
      const told = new Map<string, string[]>();
      const tell = (words: string, id: string) => {
        const ids = told.get(words) ?? [];
        if (!ids.includes(id)) told.set(words, [...ids, id]);
      };
      for (const { segment, ways, releases } of all) {
        for (const way of [...ways, ...releases]) {
          for (const c of concerns(way, person.cautions)) {
            if (TOLD.includes(c.effect)) tell(c.words, segment.id);
          }
        }
        // What is on the skin from the start is on it in every move that hands do.
        if (onSkin && isAllergic(person.cautions) && ways.some((w) => touchedAreas(w).length > 0)) {
          tell(checkOnSkin(onSkin), segment.id);
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
