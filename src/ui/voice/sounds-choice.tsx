'use client';

import { Bell, Volume2 } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { ask } from '@/browser/api';
import { hearMark } from '@/browser/hear-mark';
import { CALLS } from '@/core/calls';
import type { Mark } from '@/core/sound';
import {
  BELLS,
  COUNTED_BY,
  HEARD_ON,
  type HeardOn,
  type Sounds,
  type SpeechChoice,
} from '@/core/speech';
import { Choice } from '../kit/choice';
import { useAttempt } from '../kit/use-attempt';

const COUNTED_NAMES: Record<Sounds['countedBy'], string> = {
  voice: 'The voice',
  wood: 'A block of wood',
  air: 'A breath of air',
  none: 'Nothing',
};
const BELL_NAMES: Record<Sounds['bells'], string> = {
  none: 'No bell',
  class: 'As the class begins and ends',
  moves: 'As each work begins and ends',
};

const HEARD_NAMES: Record<HeardOn, string> = {
  anything: 'Anything',
  hall: 'A loudspeaker in a hall',
  headphones: 'Headphones',
};

export interface SoundsChoiceProps {
  choice: SpeechChoice;
  onChange: (choice: SpeechChoice) => void;
}

/** What is heard besides words: what counts are, bells, how loud both are, and whether the close is softer. */
export function SoundsChoice({ choice, onChange }: SoundsChoiceProps) {
  const { error, attempt } = useAttempt('The sounds stay as they were.');
  const [wished, setWished] = useState<Sounds | null>(null);
  const sounds = wished ?? choice.sounds;
  const change = async (wish: Partial<Sounds>) => {
    const next = { ...sounds, ...wish };
    setWished(next);
    await attempt(async () =>
      onChange(await ask(CALLS.chooseVoice, { body: { ...choice, sounds: next } })),
    );
    // One that was wished for meanwhile is still on its way.
    setWished((latest) => (latest === next ? null : latest));
  };
  const { countedBy } = sounds;
  const mark: Mark | null = countedBy === 'wood' || countedBy === 'air' ? countedBy : null;
  return (
    <>
      <Choice
        label="Counts are heard as"
        value={countedBy}
        options={COUNTED_BY}
        names={COUNTED_NAMES}
        onChange={(by) => change({ countedBy: by })}
      />
      <Volume
        label="Volume of counts"
        value={sounds.countVolume}
        onChange={(countVolume) => change({ countVolume })}
        hear={mark && { of: mark, label: 'Hear a count' }}
      />
      <Choice
        label="A bell"
        value={sounds.bells}
        options={BELLS}
        names={BELL_NAMES}
        onChange={(bells) => change({ bells })}
        width="w-64"
      />
      <Volume
        label="Volume of the bell"
        value={sounds.bellVolume}
        onChange={(bellVolume) => change({ bellVolume })}
        hear={{ of: 'bell', label: 'Hear the bell' }}
      />
      <Choice
        label="Heard on"
        value={sounds.heardOn}
        options={HEARD_ON}
        names={HEARD_NAMES}
        onChange={(heardOn) => change({ heardOn })}
        width="w-56"
      />
      <label className="flex min-h-10 items-center gap-2 self-end">
        <input
          type="checkbox"
          className="toggle toggle-sm"
          checked={sounds.softClose}
          onChange={(event) => change({ softClose: event.target.checked })}
        />
        Softer toward the close
      </label>
      {error && (
        <p role="alert" className="text-error text-sm">
          {error}
        </p>
      )}
    </>
  );
}

interface VolumeProps {
  label: string;
  /** 0 to 1. */
  value: number;
  onChange: (value: number) => void;
  hear: { of: Mark; label: string } | null;
}

/** How loud something is: kept when the slider is let go. */
function Volume({ label, value, onChange, hear }: VolumeProps) {
  const [drawn, setDrawn] = useState<number | null>(null);
  const shown = drawn ?? value;
  const settle = () => {
    if (drawn !== null && drawn !== value) onChange(drawn);
    setDrawn(null);
  };
  return (
    <div className="flex items-end gap-2">
      <label className="grid content-start text-sm leading-6 font-medium">
        {label}
        <input
          type="range"
          className="range range-sm my-2 w-36"
          min={0}
          max={1}
          step={0.05}
          value={shown}
          aria-valuetext={`${Math.round(100 * shown)} %`}
          onChange={(event) => setDrawn(Number(event.target.value))}
          onPointerUp={settle}
          onKeyUp={settle}
          onBlur={settle}
        />
      </label>
      {hear && (
        <button
          type="button"
          className="btn btn-sm mb-1"
          onClick={() =>
            hearMark(hear.of, shown).catch(() =>
              toast.error('The browser does not play sound here.'),
            )
          }
        >
          {hear.of === 'bell' ? <Bell size={16} aria-hidden /> : <Volume2 size={16} aria-hidden />}
          {hear.label}
        </button>
      )}
    </div>
  );
}
