'use client';

import { Square, Volume2 } from 'lucide-react';
import { useEffect, useId, useRef, useState } from 'react';
import { toast } from 'sonner';
import { hearInTurn } from '@/browser/hear';
import type { Language } from '@/core/language';
import type { VoiceId, VoiceOffer } from '@/core/speech';

export interface PickerProps {
  label: string;
  language: Language;
  value: VoiceId;
  offers: readonly VoiceOffer[];
  onChange: (id: VoiceId) => void;
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

/** The voices of one language side by side, each to be heard with the same three cues. */
export function VoiceList({ label, language, value, offers, onChange }: PickerProps) {
  const name = useId();
  const [speaking, setSpeaking] = useState<VoiceId | null>(null);
  const stop = useRef(new AbortController());
  useEffect(() => () => stop.current.abort(), []);
  const hear = async (id: VoiceId) => {
    stop.current.abort();
    const controller = new AbortController();
    stop.current = controller;
    if (speaking === id) return setSpeaking(null);
    setSpeaking(id);
    const said = SAMPLES[language].map((text) => ({ text, language, wordsPerMinute: RATE }));
    const all = await hearInTurn(said, id, controller.signal);
    if (controller.signal.aborted) return;
    setSpeaking(null);
    if (!all) toast.error('This voice cannot be heard now. Try again, or choose another.');
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
          <li key={offer.id} className="flex items-center justify-between gap-2">
            <label className="flex min-h-11 flex-1 items-center gap-2">
              <input
                type="radio"
                className="accent-primary size-5"
                name={name}
                checked={offer.id === value}
                onChange={() => onChange(offer.id)}
              />
              {offer.name}
            </label>
            <button type="button" className="btn btn-sm" onClick={() => void hear(offer.id)}>
              {speaking === offer.id ? (
                <Square size={16} aria-hidden />
              ) : (
                <Volume2 size={16} aria-hidden />
              )}
              {speaking === offer.id ? 'Stop' : 'Hear'}
              <span className="sr-only"> {offer.name}</span>
            </button>
          </li>
        ))}
      </ul>
    </fieldset>
  );
}
