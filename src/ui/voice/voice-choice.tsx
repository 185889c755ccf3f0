'use client';

import { useEffect, useState } from 'react';
import { ask } from '@/browser/api';
import { CALLS } from '@/core/calls';
import { LANGUAGE_NAMES, type Language } from '@/core/language';
import {
  type SaidWord,
  type SpeechChoice,
  VOICES,
  type VoiceId,
  type VoiceOffer,
  voiceIn,
} from '@/core/speech';
import { Choice } from '../kit/choice';
import { useAttempt } from '../kit/use-attempt';
import { useVoicesHere } from './use-voices-here';
import { type Picked, type PickerProps, VoiceList } from './voice-list';

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
  /** How the studio's words are said, where the voices are heard side by side. */
  aloud?: readonly SaidWord[];
  /** The voices of the server's machine; asked for where the page does not know. */
  voices?: Voices;
}

export interface Voices {
  offers: readonly VoiceOffer[];
  troubled: readonly VoiceId[];
}

/** The voices of the server's machine; none until it has told. */
function useVoices(known: Voices | undefined): Voices {
  const [voices, setVoices] = useState<Voices>(known ?? { offers: [], troubled: [] });
  useEffect(() => {
    if (known) return;
    // Without the server the voice stays as it is, and the list shows only that one.
    ask(CALLS.listVoices)
      .then(setVoices)
      .catch(() => {});
  }, [known]);
  return voices;
}

/** Who says the words in class, in which voice of the machine, and whether the teacher's own recordings come first. */
export function VoiceChoice({ choice, onChange, languages, aloud, voices }: VoiceChoiceProps) {
  const { error, attempt } = useAttempt('The voice stays as it was.');
  const { offers, troubled } = useVoices(voices);
  /** Shown at once, until the server has taken it or not. */
  const [wished, setWished] = useState<SpeechChoice | null>(null);
  const shown = wished ?? choice;
  const change = async (wish: SpeechChoice) => {
    setWished(wish);
    await attempt(async () => onChange(await ask(CALLS.chooseVoice, { body: wish })));
    setWished((latest) => (latest === wish ? null : latest));
  };
  const here = useVoicesHere();
  const pickerOf = (language: Language): PickerProps => ({
    label: `Voice in ${LANGUAGE_NAMES[language]}`,
    language,
    value: { machine: voiceIn(shown, language), device: shown.deviceVoices[language] },
    offers: offers.filter((offer) => offer.languages.includes(language)),
    here: here.filter((v) => v.languages.includes(language)).map(({ name }) => name),
    onChange: (picked) => change(withVoice(shown, language, picked)),
  });
  const names = new Map(offers.map(({ id, name }) => [id, name]));
  const failed = troubled.filter((id) => Object.values(shown.voices).includes(id));
  return (
    <>
      {languages.map((language) =>
        aloud ? (
          <VoiceList key={language} {...pickerOf(language)} words={aloud} />
        ) : (
          <VoiceSelect key={language} {...pickerOf(language)} />
        ),
      )}
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

/** A choice with another voice in a language. */
function withVoice(choice: SpeechChoice, language: Language, picked: Picked): SpeechChoice {
  const { [language]: _, ...deviceVoices } = choice.deviceVoices;
  if ('device' in picked) {
    return { ...choice, deviceVoices: { ...deviceVoices, [language]: picked.device } };
  }
  return { ...choice, deviceVoices, voices: { ...choice.voices, [language]: picked.machine } };
}

const usual = VOICES as readonly VoiceId[];
/** Goes before the name of a voice of the device; no voice of the machine has a space in what it is known by. */
const OF_DEVICE = 'device ';

function VoiceSelect({ label, value, offers, here, onChange }: PickerProps) {
  const ids = offers.length > 0 ? offers.map(({ id }) => id) : usual;
  const own =
    value.device === undefined || here.includes(value.device) ? here : [...here, value.device];
  return (
    <Choice
      label={label}
      value={value.device === undefined ? value.machine : `${OF_DEVICE}${value.device}`}
      options={[
        ...(ids.includes(value.machine) ? ids : [...ids, value.machine]),
        ...own.map((name) => `${OF_DEVICE}${name}`),
      ]}
      names={{
        ...Object.fromEntries(offers.map(({ id, name }) => [id, name])),
        ...Object.fromEntries(
          own.map((name) => [
            `${OF_DEVICE}${name}`,
            here.includes(name) ? name : `${name}, not on this device`,
          ]),
        ),
      }}
      onChange={(id) =>
        onChange(
          id.startsWith(OF_DEVICE) ? { device: id.slice(OF_DEVICE.length) } : { machine: id },
        )
      }
      width="w-44"
    />
  );
}
