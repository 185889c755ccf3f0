'use client';

import { useEffect, useState } from 'react';
import { ask } from '@/browser/api';
import { CALLS } from '@/core/calls';
import { LANGUAGE_NAMES, type Language } from '@/core/language';
import { type SpeechChoice, VOICES, type VoiceId, type VoiceOffer, voiceIn } from '@/core/speech';
import { Choice } from '../kit/choice';
import { useAttempt } from '../kit/use-attempt';
import { type PickerProps, VoiceList } from './voice-list';

const SPEAKERS = ['voice', 'self'] as const;
const SPEAKER_NAMES: Record<(typeof SPEAKERS)[number], string> = {
  voice: 'The voice',
  self: 'I do, the voice counts',
};

export interface VoiceChoiceProps {
  choice: SpeechChoice;
  onChange: (choice: SpeechChoice) => void;
  /** Those that a voice is chosen for. */
  languages: readonly Language[];
  /** Whether the voices are heard side by side. */
  aloud?: boolean;
}

interface Voices {
  offers: readonly VoiceOffer[];
  troubled: readonly VoiceId[];
}

/** The voices of this machine; none until the server has told. */
function useVoices(): Voices {
  const [voices, setVoices] = useState<Voices>({ offers: [], troubled: [] });
  useEffect(() => {
    // Without the server the voice stays as it is, and the list shows only that one.
    ask(CALLS.listVoices)
      .then(setVoices)
      .catch(() => {});
  }, []);
  return voices;
}

/** Who says the words in class, in which voice of the machine, and whether the teacher's own recordings come first. */
export function VoiceChoice({ choice, onChange, languages, aloud }: VoiceChoiceProps) {
  const { error, attempt } = useAttempt('The voice stays as it was.');
  const { offers, troubled } = useVoices();
  /** Shown at once, until the server has taken it or not. */
  const [wished, setWished] = useState<SpeechChoice | null>(null);
  const shown = wished ?? choice;
  const change = async (wish: SpeechChoice) => {
    setWished(wish);
    await attempt(async () => onChange(await ask(CALLS.chooseVoice, { body: wish })));
    setWished((latest) => (latest === wish ? null : latest));
  };
  const Picker = aloud ? VoiceList : VoiceSelect;
  const names = new Map(offers.map(({ id, name }) => [id, name]));
  const failed = troubled.filter((id) => Object.values(shown.voices).includes(id));
  return (
    <>
      {languages.map((language) => (
        <Picker
          key={language}
          label={`Voice in ${LANGUAGE_NAMES[language]}`}
          language={language}
          value={voiceIn(shown, language)}
          offers={offers.filter((offer) => offer.languages.includes(language))}
          onChange={(id) => change({ ...shown, voices: { ...shown.voices, [language]: id } })}
        />
      ))}
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
      {failed.length > 0 && (
        <p role="status" className="text-sm">
          {failed.map((id) => names.get(id) ?? id).join(' and ')} could not say everything; the
          plain voice said it instead.
        </p>
      )}
      {error && (
        <p role="alert" className="text-error text-sm">
          {error}
        </p>
      )}
    </>
  );
}

const usual = VOICES as readonly VoiceId[];

function VoiceSelect({ label, value, offers, onChange }: PickerProps) {
  const ids = offers.length > 0 ? offers.map(({ id }) => id) : usual;
  return (
    <Choice
      label={label}
      value={value}
      options={ids.includes(value) ? ids : [...ids, value]}
      names={Object.fromEntries(offers.map(({ id, name }) => [id, name]))}
      onChange={onChange}
      width="w-36"
    />
  );
}
