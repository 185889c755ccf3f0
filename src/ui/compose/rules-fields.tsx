'use client';

import {
  BREATH_WORDS,
  BREATH_WORDS_NAMES,
  COUNTING,
  COUNTING_NAMES,
  changeRules,
  EXPLAIN,
  type Plan,
  type Rules,
  rulesSchema,
  SAY,
  SAY_NAMES,
} from '@/core/class';
import { parseSeconds } from '@/core/formats';
import { LANGUAGE_NAMES, LANGUAGES, type Language } from '@/core/language';
import { RELEASE_NAMES, RELEASES } from '@/core/move';
import { SLOWEST_VOICE } from '@/core/speech';
import { AmountField } from '../kit/amount-field';
import { Choice } from '../kit/choice';
import { QuickField } from '../kit/quick-field';
import { AimFields } from './aim-fields';
import { EXPLAIN_NAMES } from './aim-words';
import { Tick } from './tick';

export interface RulesFieldsProps {
  plan: Plan;
  edit: (change: (plan: Plan) => Plan, key?: string) => void;
  settle: () => void;
}

interface WordsProps {
  label: string;
  placeholder: string;
  value: string | undefined;
  onType: (words: string | undefined) => string | null;
  onSettle: () => void;
}

/** A sentence of the class itself. */
const Words = ({ label, placeholder, value, onType, onSettle }: WordsProps) => (
  <div className="grid [&_input]:w-full [&_input]:max-w-none">
    <span className="text-sm leading-6 font-medium">{label}</span>
    <QuickField
      label={label}
      placeholder={placeholder}
      value={value ?? ''}
      onType={(text) => onType(text.trim() || undefined)}
      onSettle={onSettle}
    />
  </div>
);

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
          label="How much is said"
          width="w-full"
          value={rules.say}
          options={SAY}
          names={SAY_NAMES}
          onChange={(say) => change({ say })}
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
        <Choice
          label="Lead the breath by"
          width="w-full"
          value={rules.breathWords}
          options={BREATH_WORDS}
          names={BREATH_WORDS_NAMES}
          onChange={(breathWords) => change({ breathWords })}
        />
        <Tick
          label="Count in “three, two, one”"
          checked={rules.countIn}
          onChange={(countIn) => change({ countIn })}
        />
        <Tick label="“Go” after it" checked={rules.go} onChange={(go) => change({ go })} />
        <Tick
          label="Later rounds go straight on, “and again”"
          checked={rules.straightOn}
          onChange={(straightOn) => change({ straightOn })}
        />
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
            label="Time to open"
            unit="s"
            value={rules.openingSeconds}
            parse={(text) => parseSeconds(text)}
            help="seconds, such as 30, or 1 min"
            onChange={(n) => change({ openingSeconds: n }, 'opening')}
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
            onChange={(n) =>
              n < SLOWEST_VOICE
                ? `The voice speaks no slower than ${SLOWEST_VOICE} words a minute.`
                : change({ wordsPerMinute: n }, 'rate')
            }
            onSettle={settle}
          />
        </div>
        <Words
          label="Opening words"
          placeholder="none"
          value={rules.openingWords}
          onType={(openingWords) => change({ openingWords }, 'opening words')}
          onSettle={settle}
        />
        <Words
          label="Words before questions"
          placeholder="time for your questions"
          value={rules.closingWords}
          onType={(closingWords) => change({ closingWords }, 'closing words')}
          onSettle={settle}
        />
      </div>
    </div>
  );
}
