'use client';

import { type Aim, FACE_ORDERS, type Plan, type Rules, SKINS } from '@/core/class';
import { type Area, PROP_NAMES, PROPS, PURPOSE_NAMES, PURPOSES, type Purpose } from '@/core/move';
import { Choice } from '../kit/choice';
import { FaceDial } from '../kit/face-dial';
import { ORDER_NAMES, SKIN_NAMES } from './aim-words';
import { Tick } from './tick';

const MOST_FOCUS = 6;

/** An aim as one choice in a list: the whole face, a focus, or one of the purposes. */
const choiceOf = (aim: Aim): string => (aim.kind === 'purpose' ? aim.purpose : aim.kind);

function aimOf(chosen: string, before: Aim): Aim {
  if (chosen === 'whole') return { kind: 'whole' };
  if (chosen === 'focus') {
    return before.kind === 'focus' ? before : { kind: 'focus', areas: ['jaw'] };
  }
  return { kind: 'purpose', purpose: chosen as Purpose };
}

export interface AimFieldsProps {
  aim: Aim;
  rules: Pick<Rules, 'order' | 'skin'>;
  kit: Plan['kit'];
  onAim: (aim: Aim) => void;
  onRules: (rules: Partial<Rules>) => void;
  onKit: (kit: Plan['kit']) => void;
}

/** What a class is for, and by which schools it is put together. */
export function AimFields({ aim, rules, kit, onAim, onRules, onKit }: AimFieldsProps) {
  const toggle = (area: Area) => {
    if (aim.kind !== 'focus') return;
    const areas = aim.areas.includes(area)
      ? aim.areas.filter((a) => a !== area)
      : [...aim.areas, area].slice(-MOST_FOCUS);
    if (areas.length) onAim({ kind: 'focus', areas });
  };
  return (
    <div className="grid content-start gap-3">
      <Choice
        label="For"
        width="w-full"
        value={choiceOf(aim)}
        options={['whole', 'focus', ...PURPOSES]}
        names={{
          whole: 'the whole face',
          focus: 'a focus on the face',
          ...Object.fromEntries(PURPOSES.map((p) => [p, `to ${PURPOSE_NAMES[p]}`])),
        }}
        onChange={(chosen) => onAim(aimOf(chosen, aim))}
      />
      {aim.kind === 'focus' && (
        <FaceDial
          size={200}
          fill={Object.fromEntries(aim.areas.map((a) => [a, 1]))}
          onToggle={toggle}
          label="Choose the focus on the face"
          className="mx-auto"
        />
      )}
      <Choice
        label="Order over the face"
        width="w-full"
        value={rules.order}
        options={FACE_ORDERS}
        names={ORDER_NAMES}
        onChange={(order) => onRules({ order })}
      />
      <Choice
        label="Skin"
        width="w-full"
        value={rules.skin}
        options={SKINS}
        names={SKIN_NAMES}
        onChange={(skin) => onRules({ skin })}
      />
      <fieldset>
        <legend className="text-sm font-medium">Everybody has at hand</legend>
        <div className="mt-1 flex flex-wrap gap-x-4 gap-y-1">
          {PROPS.map((prop) => (
            <Tick
              key={prop}
              label={PROP_NAMES[prop]}
              checked={kit.includes(prop)}
              onChange={(there) => onKit(there ? [...kit, prop] : kit.filter((p) => p !== prop))}
            />
          ))}
        </div>
      </fieldset>
    </div>
  );
}
