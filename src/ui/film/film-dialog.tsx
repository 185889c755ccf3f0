'use client';

import { useState } from 'react';
import {
  FILM_DAYS,
  FILM_FORMATS,
  FILM_LOOKS,
  FILM_SHAPES,
  type FilmOptions,
  MOST_FILM_MINUTES,
  MOST_FILMS,
} from '@/core/film';
import { LANGUAGE_NAMES, LANGUAGES, type Language } from '@/core/language';
import { GeneralCaution } from '../kit/caution';
import { Choice } from '../kit/choice';
import { Dialog } from '../kit/dialog';
import { Tick } from '../kit/tick';
import { useAttempt } from '../kit/use-attempt';
import { FilmList } from './film-list';
import { FORMATS, LOOKS, SHAPES } from './names';
import { useFilms } from './use-films';

const CAPTIONS: Record<FilmOptions['captions'], string> = {
  in: 'In the picture',
  beside: 'Beside it, to show or hide',
};
const IN_OR_BESIDE = ['in', 'beside'] as const;

export interface FilmDialogProps {
  classId: string;
  language: Language;
  timeZone: string;
  /** Whether something is played under the class. */
  hasMusic: boolean;
  onClose: () => void;
}

/** A class as a film: what it is to be, and the films that there are. */
export function FilmDialog({ classId, language, timeZone, hasMusic, onClose }: FilmDialogProps) {
  const [options, setOptions] = useState<FilmOptions>({
    format: 'mp4',
    shape: 'wide',
    look: 'day',
    language,
    captions: 'in',
    facing: false,
    counts: true,
    music: hasMusic,
    easier: false,
  });
  const films = useFilms(classId);
  const { error, busy, attempt } = useAttempt('Nothing was ordered.');
  const set = (changed: Partial<FilmOptions>) => setOptions({ ...options, ...changed });
  return (
    <Dialog title="Film" onClose={onClose} wide>
      <p className="mb-3">
        The class as it is saved now, as a film to follow along: the face that moves, what is said,
        and how long still. Nobody stands before a camera.
      </p>
      <div className="flex flex-wrap gap-3">
        <Choice
          label="Shape"
          value={options.shape}
          options={FILM_SHAPES}
          names={SHAPES}
          onChange={(shape) => set({ shape })}
          width="w-56"
        />
        <Choice
          label="Look"
          value={options.look}
          options={FILM_LOOKS}
          names={LOOKS}
          onChange={(look) => set({ look })}
          width="w-36"
        />
        <Choice
          label="Words"
          value={options.language}
          options={LANGUAGES}
          names={LANGUAGE_NAMES}
          onChange={(chosen) => set({ language: chosen })}
          width="w-36"
        />
        <Choice
          label="What is said"
          value={options.captions}
          options={IN_OR_BESIDE}
          names={CAPTIONS}
          onChange={(captions) => set({ captions })}
          width="w-56"
        />
        <Choice
          label="File"
          value={options.format}
          options={FILM_FORMATS}
          names={FORMATS}
          onChange={(format) => set({ format })}
          width="w-56"
        />
      </div>
      <div className="mt-3 grid gap-1">
        <Tick
          label="With counts and tones"
          checked={options.counts}
          onChange={(counts) => set({ counts })}
        />
        {hasMusic && (
          <Tick
            label="With the music of the class"
            checked={options.music}
            onChange={(music) => set({ music })}
          />
        )}
        <Tick
          label="In the easier version of every move that has one"
          checked={options.easier}
          onChange={(easier) => set({ easier })}
        />
        <Tick
          label="Faces you: your left is on the right, as with somebody who stands before you"
          checked={options.facing}
          onChange={(facing) => set({ facing })}
        />
      </div>
      <button
        type="button"
        className="btn btn-primary upbeat-on-accent mt-4"
        disabled={busy}
        onClick={() => void attempt(() => films.order(options))}
      >
        Make the film
      </button>
      {error && (
        <p role="alert" className="text-error mt-2">
          {error}
        </p>
      )}
      <FilmList films={films} timeZone={timeZone} />
      <p className="quiet mt-4 text-sm">
        A film takes about as long to make as the class takes, and is made while you do something
        else. You may have {MOST_FILMS} films, of {MOST_FILM_MINUTES} minutes at most; each is kept
        for {FILM_DAYS} days.
      </p>
      <GeneralCaution className="mt-3" />
    </Dialog>
  );
}
