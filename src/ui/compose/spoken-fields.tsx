'use client';

import {
  BREATH_WORDS,
  BREATH_WORDS_NAMES,
  COUNTING,
  COUNTING_NAMES,
  SAY,
  SAY_NAMES,
  type Segment,
  SPOKEN_RULES,
} from '@/core/class';
import { doseLabel, typeDose } from '@/core/move';
import { Choice } from '../kit/choice';
import { QuickField } from '../kit/quick-field';
import { useComposeActions } from './actions';

export interface SpokenFieldsProps {
  segment: Segment;
  /** Makes a change if the segment stays valid, else says in a sentence why not. */
  attempt: (part: Partial<Segment>, key: string) => string | null;
}

const AS_CLASS = { '': 'as the class' };
const YES_NO = ['', 'yes', 'no'] as const;
const YES_NO_NAMES = { ...AS_CLASS, yes: 'yes', no: 'no' };

/** How one segment is spoken, where that is not as its class is. */
export function SpokenFields({ segment, attempt }: SpokenFieldsProps) {
  const { settle } = useComposeActions();
  const own = SPOKEN_RULES.some((rule) => segment[rule] !== undefined);
  const yesNo = (label: string, field: 'countIn' | 'go' | 'straightOn') => (
    <Choice
      label={label}
      width="w-36"
      value={segment[field] === undefined ? '' : segment[field] ? 'yes' : 'no'}
      options={YES_NO}
      names={YES_NO_NAMES}
      onChange={(value) => attempt({ [field]: value ? value === 'yes' : undefined }, field)}
      onSettle={settle}
    />
  );
  return (
    <details className="mt-3" open={own}>
      <summary className="cursor-pointer font-medium">How it is spoken</summary>
      <div className="mt-2 flex flex-wrap gap-x-5 gap-y-3">
        <Choice
          label="How much is said"
          width="w-48"
          value={segment.say ?? ''}
          options={['' as const, ...SAY]}
          names={{ ...AS_CLASS, ...SAY_NAMES }}
          onChange={(say) => attempt({ say: say || undefined }, 'say')}
          onSettle={settle}
        />
        <Choice
          label="Count"
          width="w-56"
          value={segment.counting ?? ''}
          options={['' as const, ...COUNTING]}
          names={{ ...AS_CLASS, ...COUNTING_NAMES }}
          onChange={(counting) => attempt({ counting: counting || undefined }, 'counting')}
          onSettle={settle}
        />
        {segment.dose.kind === 'breaths' && (
          <Choice
            label="Lead the breath by"
            width="w-72"
            value={segment.breathWords ?? ''}
            options={['' as const, ...BREATH_WORDS]}
            names={{ ...AS_CLASS, ...BREATH_WORDS_NAMES }}
            onChange={(words) => attempt({ breathWords: words || undefined }, 'breathWords')}
            onSettle={settle}
          />
        )}
        {yesNo('Count in', 'countIn')}
        {yesNo('“Go” after it', 'go')}
        {segment.rounds > 1 && yesNo('Later rounds straight on', 'straightOn')}
      </div>
    </details>
  );
}

/** One side longer or shorter than the other on purpose, with the reason. */
export function UnevenFields({ segment, attempt }: SpokenFieldsProps) {
  const { settle } = useComposeActions();
  const { uneven } = segment;
  if (segment.sides !== 'each' && !uneven) return null;
  return (
    <div className="mt-3 flex flex-wrap items-start gap-x-5 gap-y-3">
      <Choice
        label="A side of its own length"
        width="w-48"
        value={uneven?.side ?? ''}
        options={['', 'left', 'right'] as const}
        names={{ '': 'both alike', left: 'the left', right: 'the right' }}
        onChange={(side) => {
          const kept = uneven ?? { dose: segment.dose, reason: 'This side is tight.' };
          attempt({ uneven: side ? { ...kept, side } : undefined }, 'uneven');
        }}
        onSettle={settle}
      />
      {uneven && (
        <>
          <div className="grid">
            <span className="text-sm leading-6 font-medium">Its dose</span>
            <QuickField
              label="Dose of that side"
              value={doseLabel(uneven.dose)}
              onType={(text) => {
                if (text === doseLabel(uneven.dose)) return null;
                const typed = typeDose(text, uneven.dose);
                if (!typed.ok) return typed.message;
                return attempt({ uneven: { ...uneven, dose: typed.dose } }, 'uneven dose');
              }}
              onSettle={settle}
            />
          </div>
          <div className="grid min-w-60 flex-1 [&_input]:w-full [&_input]:max-w-none">
            <span className="text-sm leading-6 font-medium">Why</span>
            <QuickField
              label="Why that side is longer or shorter"
              value={uneven.reason}
              onType={(reason) => attempt({ uneven: { ...uneven, reason } }, 'uneven reason')}
              onSettle={settle}
            />
          </div>
        </>
      )}
    </div>
  );
}
