'use client';

import { Square, Volume2 } from 'lucide-react';
import { type ReactNode, useEffect, useId, useRef, useState } from 'react';
import { toast } from 'sonner';
import { measuredVoice, sayAll } from '@/browser/device-lengths';
import { hearInTurn } from '@/browser/hear';
import type { Language } from '@/core/language';
import type { SaidWord, Utterance, VoiceId, VoiceOffer } from '@/core/speech';

/** A voice of the machine, or one of the device. */
export type Picked = { machine: VoiceId } | { device: string };

export interface PickerProps {
  label: string;
  language: Language;
  /** The machine's voice, and the one of a device that speaks in its place where there is one. */
  value: { machine: VoiceId; device?: string };
  offers: readonly VoiceOffer[];
  /** The voices of this device. */
  here: readonly string[];
  onChange: (picked: Picked) => void;
}

/** The same three cues for every voice: what a move is, how it is done, and a count. */
const SAMPLES: Record<Language, string[]> = {
  en: [
    'Soft jaw drop, palms on the cheeks.',
    'Let the jaw hang and breathe out slowly.',
    'three, two, one',
  ],
  de: [
    'Weicher Kiefer, Handflächen an den Wangen.',
    'Lass den Kiefer hängen und atme langsam aus.',
    'drei, zwei, eins',
  ],
};
const RATE = 131;

/** What the list calls the row of the device's voices. */
const DEVICE = 'the device';

/** The voices of one language side by side, each to be heard with the same three cues. */
export function VoiceList(props: PickerProps & { words: readonly SaidWord[] }) {
  const { label, language, value, offers, here, onChange, words } = props;
  const name = useId();
  const [speaking, setSpeaking] = useState<string | null>(null);
  const stop = useRef(new AbortController());
  useEffect(() => () => stop.current.abort(), []);
  const machine = offers.find(({ id }) => id === value.machine)?.name ?? value.machine;
  const said = SAMPLES[language].map((text) => ({ text, language, wordsPerMinute: RATE }));
  const hear = async (row: string, all: (signal: AbortSignal) => Promise<boolean>) => {
    stop.current.abort();
    const controller = new AbortController();
    stop.current = controller;
    if (speaking === row) return setSpeaking(null);
    setSpeaking(row);
    const heard = await all(controller.signal);
    if (controller.signal.aborted) return;
    setSpeaking(null);
    if (!heard) toast.error('This voice cannot be heard now. Try again, or choose another.');
  };
  return (
    <fieldset className="bg-base-200 rounded-box w-full max-w-sm p-3">
      <legend className="sr-only">{label}</legend>
      <p aria-hidden className="font-semibold">
        {label}
      </p>
      {offers.length === 0 && (
        <p className="quiet text-sm">This machine has no speech program, or is not reached.</p>
      )}
      <ul>
        {offers.map((offer) => (
          <Row
            key={offer.id}
            speaks={offer.name}
            speaking={speaking === offer.id}
            hear={() => hear(offer.id, (signal) => hearInTurn(said, offer.id, signal))}
          >
            <label className="flex min-h-11 flex-1 items-center gap-2">
              <input
                type="radio"
                className="accent-primary size-5"
                name={name}
                checked={value.device === undefined && offer.id === value.machine}
                onChange={() => onChange({ machine: offer.id })}
              />
              {offer.name}
            </label>
          </Row>
        ))}
        <DeviceRow
          {...props}
          name={name}
          speaking={speaking === DEVICE}
          hear={(voice) =>
            hear(DEVICE, (signal) => heardOnDevice({ voice, language, words, said, signal }))
          }
        />
      </ul>
      {value.device !== undefined && (
        <p className="quiet mt-1 text-sm">
          {here.includes(value.device)
            ? `It speaks where this device leads. Other devices, those who follow and all that is taken away have the voice “${machine}”.`
            : `${value.device} is not on this device: the voice “${machine}” speaks here.`}
        </p>
      )}
    </fieldset>
  );
}

/** Lets a voice of this device say something; how long it takes is kept. @returns whether all of it was heard */
async function heardOnDevice(of: {
  voice: string;
  language: Language;
  words: readonly SaidWord[];
  said: readonly Utterance[];
  signal: AbortSignal;
}): Promise<boolean> {
  const { voice, language, words, said, signal } = of;
  const speaks = measuredVoice({ [language]: voice }, words);
  const end = await sayAll(speaks.voice, said, { volume: 1, signal });
  await speaks.tell();
  return end !== 'silent';
}

interface RowProps {
  speaks: string;
  speaking: boolean;
  hear: () => void;
  children: ReactNode;
}

function Row({ speaks, speaking, hear, children }: RowProps) {
  return (
    <li className="flex items-center justify-between gap-2">
      {children}
      <button type="button" className="btn btn-sm" onClick={hear}>
        {speaking ? <Square size={16} aria-hidden /> : <Volume2 size={16} aria-hidden />}
        {speaking ? 'Stop' : 'Hear'}
        <span className="sr-only"> {speaks}</span>
      </button>
    </li>
  );
}

interface DeviceRowProps extends PickerProps {
  /** Of the radio buttons. */
  name: string;
  speaking: boolean;
  hear: (voice: string) => void;
}

/** The voices that this device has itself, in one row, since there may be many. */
function DeviceRow({ label, value, here, onChange, name, speaking, hear }: DeviceRowProps) {
  const [looked, setLooked] = useState<string | null>(null);
  const chosen = value.device;
  const [first] = here;
  const shown = looked ?? (chosen !== undefined && here.includes(chosen) ? chosen : first);
  if (shown === undefined) return null;
  return (
    <Row speaks={shown} speaking={speaking} hear={() => hear(shown)}>
      <div className="flex min-w-0 flex-1 flex-wrap items-center gap-x-2">
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="radio"
            className="accent-primary size-5"
            name={name}
            checked={chosen === shown}
            onChange={() => onChange({ device: shown })}
          />
          Of this device
        </label>
        <select
          aria-label={`${label}: voices of this device`}
          className="select select-sm min-w-32 flex-1"
          value={shown}
          onChange={(event) => {
            setLooked(event.target.value);
            if (chosen !== undefined) onChange({ device: event.target.value });
          }}
        >
          {here.map((voice) => (
            <option key={voice}>{voice}</option>
          ))}
        </select>
      </div>
    </Row>
  );
}
