import { useState } from 'react';
import { type CheckedSound, MOST_LATE_MS } from '@/browser/mixer';
import { Choice } from '../kit/choice';
import { SoundsChoice } from '../voice/sounds-choice';
import { VoiceChoice } from '../voice/voice-choice';
import type { SoundDesk } from './use-cues';
import type { MusicDesk } from './use-music';

const CHECKED: Record<CheckedSound, string> = {
  works:
    'A tone was played. If you heard nothing, look at the volume and the output of this device.',
  blocked:
    'The browser keeps the sound off. Press “Check the sound” once more; if that does not help, allow sound for this page beside its address.',
  silent: 'Nothing comes out of the browser. Look at the output of this device, then check again.',
};

const RATES = [100, 110, 120, 130, 140, 150, 160, 170, 180, 200, 220];

/** How late a loudspeaker may be, in ms, from which one chooses. */
const LATE = ['', ...Array.from({ length: MOST_LATE_MS / 50 + 1 }, (_, i) => String(i * 50))];
const LATE_NAMES = Object.fromEntries(
  LATE.map((ms) => [ms, ms === '' ? 'As this device says' : `${ms} ms`]),
);

/** Rates to choose from; once the class runs nothing slower than it was measured in fits. */
function ratesFor({ rate, leastRate }: SoundDesk): string[] {
  const all = new Set([...RATES.filter((r) => r >= leastRate), rate]);
  return [...all].sort((a, b) => a - b).map(String);
}

/** Voice, rate, volume, music under the voice, and a check that something is heard. */
export function SoundPanel({ desk }: { desk: SoundDesk }) {
  const [checked, setChecked] = useState<CheckedSound | null>(null);
  return (
    <div className="mt-3 grid gap-2">
      <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
        <Slider label="Volume" value={desk.volume} onChange={desk.setVolume} />
        <button
          type="button"
          className="btn btn-sm btn-neutral mb-1"
          onClick={async () => setChecked(await desk.check())}
        >
          Check the sound
        </button>
        <MusicChoices desk={desk.music} />
        <Choice
          label="Words a minute"
          value={String(desk.rate)}
          options={ratesFor(desk)}
          onChange={(rate) => desk.setRate(Number(rate))}
          width="w-28"
        />
        <VoiceChoice choice={desk.choice} onChange={desk.setChoice} languages={desk.spokenIn} />
        <SoundsChoice choice={desk.choice} onChange={desk.setChoice} />
        <Choice
          label="Loudspeaker is late by"
          value={desk.late === null ? '' : String(desk.late)}
          options={LATE}
          names={LATE_NAMES}
          onChange={(ms) => desk.setLate(ms === '' ? null : Number(ms))}
        />
      </div>
      <p className="quiet text-sm">
        A loudspeaker without a wire may be late. If a count is heard after its number is seen,
        choose how much, and all that is heard is played so much earlier.
      </p>
      <p role="status" className="text-sm empty:hidden">
        {checked && CHECKED[checked]}
      </p>
    </div>
  );
}

/** What is played under the class, and how loud. */
function MusicChoices({ desk }: { desk: MusicDesk }) {
  const { pieces, planned, choice, gone } = desk;
  const names = {
    planned: planned ? 'As the class has it' : 'The class has none',
    none: 'None',
    ...Object.fromEntries(pieces.map(({ id, name }) => [id, name])),
  };
  const known = pieces.some(({ id }) => id === choice) || choice === 'none';
  const silent = choice === 'none' || (choice === 'planned' && !planned);
  return (
    <>
      <Choice
        label="Music"
        value={known ? choice : 'planned'}
        options={['planned', 'none', ...pieces.map(({ id }) => id)]}
        names={names}
        onChange={desk.choose}
        width="w-52"
      />
      {!silent && (
        <Slider label="Volume of the music" value={desk.volume} onChange={desk.setVolume} />
      )}
      <p role="status" className="text-sm empty:hidden">
        {desk.silent && !silent && 'The music cannot be played now; it is tried again.'}
      </p>
      {gone > 0 && choice === 'planned' && (
        <p className="quiet text-sm">
          {gone === 1 ? 'One piece' : `${gone} pieces`} of this class are no more in your studio,
          and are left out.
        </p>
      )}
    </>
  );
}

interface SliderProps {
  label: string;
  value: number;
  onChange: (value: number) => void;
}

function Slider({ label, value, onChange }: SliderProps) {
  return (
    <label className="flex min-h-10 items-center gap-2 text-sm font-medium">
      {label}
      <input
        type="range"
        min={0}
        max={1}
        step={0.05}
        value={value}
        onChange={(event) => onChange(Number(event.target.value))}
        className="range range-sm w-32"
      />
    </label>
  );
}
