'use client';

import {
  COUNTING,
  COUNTING_NAMES,
  changeRules,
  EXPLAIN,
  type Plan,
  type Rules,
  rulesSchema,
} from '@/core/class';
import { parseSeconds } from '@/core/formats';
import { LANGUAGE_NAMES, LANGUAGES, type Language } from '@/core/language';
import { RELEASE_NAMES, RELEASES } from '@/core/move';
import { AmountField } from '../kit/amount-field';
import { Choice } from '../kit/choice';
import { AimFields } from './aim-fields';
import { EXPLAIN_NAMES } from './aim-words';

export interface RulesFieldsProps {
  plan: Plan;
  edit: (change: (plan: Plan) => Plan, key?: string) => void;
  settle: () => void;
}

function withSecond(plan: Plan, chosen: string): Plan {
  const { second: _, ...rest } = plan;
  const [how, language] = chosen.split(' ');
  if (how !== 'speak' && how !== 'show') return rest;
  return { ...rest, second: { how, language: language as Language } };
}

/** The house rules of a class. */
export function RulesFields({ plan, edit, settle }: RulesFieldsProps) {
  const { rules } = plan;
  const others = LANGUAGES.filter((l) => l !== plan.language);
  const change = (part: Partial<Rules>, key?: string): string | null => {
    const parsed = rulesSchema.safeParse({ ...rules, ...part });
    if (!parsed.success) return `This ${parsed.error.issues[0]?.message ?? 'is not right'}.`;
    edit((p) => changeRules(p, part), key);
    return null;
  };
  return (
    <div className="grid gap-x-8 gap-y-3 sm:grid-cols-2 lg:grid-cols-3">
      <AimFields
        aim={plan.aim}
        rules={rules}
        kit={plan.kit}
        onAim={(aim) => edit((p) => ({ ...p, aim }))}
        onRules={(part) => change(part)}
        onKit={(kit) => edit((p) => ({ ...p, kit }))}
      />
      <div className="grid content-start gap-3">
        <Choice
          label="Explain"
          width="w-full"
          value={rules.explain}
          options={EXPLAIN}
          names={EXPLAIN_NAMES}
          onChange={(explain) => change({ explain })}
        />
        <Choice
          label="Count"
          width="w-full"
          value={rules.counting}
          options={COUNTING}
          names={COUNTING_NAMES}
          onChange={(counting) => change({ counting })}
        />
        <Choice
          label="Rounds end with"
          width="w-full"
          value={rules.release ?? ''}
          options={['' as const, ...RELEASES]}
          names={{ '': 'as each move suggests', ...RELEASE_NAMES }}
          onChange={(release) => change({ release: release || undefined })}
        />
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={rules.countIn}
            onChange={(e) => change({ countIn: e.target.checked })}
          />
          <span>Count in “three, two, one”</span>
        </label>
      </div>
      <div className="grid content-start gap-3">
        <Choice
          label="Speak"
          width="w-full"
          value={plan.language}
          options={LANGUAGES}
          names={LANGUAGE_NAMES}
          onChange={(language) => edit((p) => ({ ...p, language }))}
        />
        <Choice
          label="Second language"
          width="w-full"
          value={plan.second ? `${plan.second.how} ${plan.second.language}` : ''}
          options={['', ...others.flatMap((l) => [`speak ${l}`, `show ${l}`])]}
          names={{
            '': 'none',
            ...Object.fromEntries(
              others.flatMap((l) => [
                [`speak ${l}`, `${LANGUAGE_NAMES[l]}, spoken after`],
                [`show ${l}`, `${LANGUAGE_NAMES[l]}, only shown`],
              ]),
            ),
          }}
          onChange={(chosen) => edit((p) => withSecond(p, chosen))}
        />
        <div className="flex flex-wrap gap-4">
          <AmountField
            label="Time to settle"
            unit="s"
            value={rules.settleSeconds}
            onChange={(n) => change({ settleSeconds: n }, 'settle')}
            onSettle={settle}
          />
          <AmountField
            label="Time for questions"
            unit="s"
            value={rules.closingSeconds}
            parse={(text) => parseSeconds(text)}
            help="seconds, such as 120, or 2 min"
            onChange={(n) => change({ closingSeconds: n }, 'closing')}
            onSettle={settle}
          />
          <AmountField
            label="Voice"
            unit="words a minute"
            value={rules.wordsPerMinute}
            onChange={(n) => change({ wordsPerMinute: n }, 'rate')}
            onSettle={settle}
          />
        </div>
      </div>
    </div>
  );
}
