'use client';

import { useState } from 'react';
import { ask } from '@/browser/api';
import { CALLS } from '@/core/calls';
import { type SpeechChoice, VOICES, type VoiceName } from '@/core/speech';
import { Choice } from '../kit/choice';
import { useAttempt } from '../kit/use-attempt';

const NAMES: Record<VoiceName, string> = {
  plain: 'Plain',
  bright: 'Bright',
  deep: 'Deep',
  soft: 'Soft',
};

const SPEAKERS = ['voice', 'self'] as const;
const SPEAKER_NAMES: Record<(typeof SPEAKERS)[number], string> = {
  voice: 'The voice',
  self: 'I do, the voice counts',
};

export interface VoiceChoiceProps {
  choice: SpeechChoice;
  onChange: (choice: SpeechChoice) => void;
}

/** Who says the words in class, in which voice of the machine, and whether the teacher's own recordings come first. */
export function VoiceChoice({ choice, onChange }: VoiceChoiceProps) {
  const { error, attempt } = useAttempt('The voice stays as it was.');
  /** Shown at once, until the server has taken it or not. */
  const [wished, setWished] = useState<SpeechChoice | null>(null);
  const shown = wished ?? choice;
  const change = async (wish: SpeechChoice) => {
    setWished(wish);
    await attempt(async () => onChange(await ask(CALLS.chooseVoice, { body: wish })));
    setWished(null);
  };
  return (
    <>
      <Choice
        label="Voice of the machine"
        value={shown.voice}
        options={VOICES}
        names={NAMES}
        onChange={(voice) => change({ ...shown, voice })}
        width="w-36"
      />
      <Choice
        label="Who says the words"
        value={shown.speaksSelf ? 'self' : 'voice'}
        options={SPEAKERS}
        names={SPEAKER_NAMES}
        onChange={(who) => change({ ...shown, speaksSelf: who === 'self' })}
        width="w-52"
      />
      <label className="flex min-h-10 items-center gap-2">
        <input
          type="checkbox"
          className="toggle toggle-sm"
          checked={shown.ownVoice}
          onChange={(event) => change({ ...shown, ownVoice: event.target.checked })}
        />
        My recordings first
      </label>
      {error && (
        <p role="alert" className="text-error text-sm">
          {error}
        </p>
      )}
    </>
  );
}
