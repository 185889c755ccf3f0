'use client';

import { useState } from 'react';
import { call, Refused, Unreachable } from '@/browser/api';
import { type SpeechChoice, speechChoiceSchema, VOICES, type VoiceName } from '@/core/speech';
import { Choice } from '../kit/choice';

const NAMES: Record<VoiceName, string> = {
  plain: 'Plain',
  bright: 'Bright',
  deep: 'Deep',
  soft: 'Soft',
};

export interface VoiceChoiceProps {
  choice: SpeechChoice;
  onChange: (choice: SpeechChoice) => void;
}

/** Which voice of the machine speaks, and whether the teacher's own recordings come first. */
export function VoiceChoice({ choice, onChange }: VoiceChoiceProps) {
  const [error, setError] = useState<string | null>(null);
  /** Shown at once, until the server has taken it or not. */
  const [wished, setWished] = useState<SpeechChoice | null>(null);
  const shown = wished ?? choice;
  const change = async (wish: SpeechChoice) => {
    setError(null);
    setWished(wish);
    try {
      onChange(await call('PUT', '/api/voice', wish, speechChoiceSchema));
    } catch (problem) {
      if (problem instanceof Refused) setError(problem.message);
      else if (problem instanceof Unreachable) {
        setError('The server does not answer, so the voice stays as it was. Try again.');
      } else throw problem;
    } finally {
      setWished(null);
    }
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
