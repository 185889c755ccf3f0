'use client';

import { useEffect, useState } from 'react';
import { remember } from '@/browser/remember';
import { Choice } from '../choice';

/** How the face is drawn: its skin and hair, kept in the browser. Line only is the usual way. */
const SKINS = ['line', 'rose', 'sand', 'honey', 'umber', 'ebony'] as const;
const HAIRS = ['none', 'short', 'long'] as const;
type Skin = (typeof SKINS)[number];
type Hair = (typeof HAIRS)[number];

const SKIN_NAMES: Record<Skin, string> = {
  line: 'line only',
  rose: 'rose',
  sand: 'sand',
  honey: 'honey',
  umber: 'umber',
  ebony: 'ebony',
};
const HAIR_NAMES: Record<Hair, string> = { none: 'none', short: 'short', long: 'long' };
const [SKIN_KEY, HAIR_KEY] = ['upbeat.skin', 'upbeat.hair'];

const kept = <T extends string>(key: string, options: readonly [T, ...T[]]): T =>
  options.find((option) => option === localStorage.getItem(key)) ?? options[0];

/** Draws every face of the page as it was chosen in this browser. */
export function FaceLook() {
  useEffect(() => {
    const look = () => {
      const { dataset } = document.documentElement;
      dataset.skin = kept(SKIN_KEY, SKINS);
      dataset.hair = kept(HAIR_KEY, HAIRS);
    };
    look();
    window.addEventListener('storage', look);
    return () => window.removeEventListener('storage', look);
  }, []);
  return null;
}

/** Chooses skin and hair of the face. */
export function FaceLookChoice() {
  const [skin, setSkin] = useState<Skin>('line');
  const [hair, setHair] = useState<Hair>('none');
  useEffect(() => {
    setSkin(kept(SKIN_KEY, SKINS));
    setHair(kept(HAIR_KEY, HAIRS));
  }, []);
  const keep = (key: string, value: string) => {
    remember(localStorage, key, value);
    document.documentElement.dataset[key === SKIN_KEY ? 'skin' : 'hair'] = value;
  };
  return (
    <div className="mt-2 flex flex-wrap justify-center gap-3">
      <Choice
        label="Skin"
        value={skin}
        options={SKINS}
        names={SKIN_NAMES}
        onChange={(next) => {
          setSkin(next);
          keep(SKIN_KEY, next);
        }}
        width="w-32"
      />
      <Choice
        label="Hair"
        value={hair}
        options={HAIRS}
        names={HAIR_NAMES}
        onChange={(next) => {
          setHair(next);
          keep(HAIR_KEY, next);
        }}
        width="w-28"
      />
    </div>
  );
}
