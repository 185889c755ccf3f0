'use client';

import { fileName } from '@/browser/save-file';
import { addressOf, CALLS } from '@/core/calls';
import type { FilmToTake } from '@/core/film';
import { dayLabel } from '@/core/formats';
import { LANGUAGE_NAMES } from '@/core/language';
import { SureButton } from '../kit/sure-button';
import { useAttempt } from '../kit/use-attempt';
import { LOOKS, SHAPES } from './names';
import type { Films } from './use-films';

const BYTES_A_MB = 1e6;
const percent = (share: number) => `${Math.floor(100 * share)} %`;

/** How far a film is, in words. */
function stateOf(film: FilmToTake, timeZone: string): string {
  const { state, share, bytes, until, problem } = film;
  if (state === 'waiting') return 'Waits for its turn.';
  if (state === 'making') return `Being made: ${percent(share)}.`;
  if (state === 'stopped') return `Stopped at ${percent(share)}.`;
  if (state === 'failed') return problem ?? 'Something went wrong.';
  const megabytes = ((bytes ?? 0) / BYTES_A_MB).toFixed(1);
  const kept = until === null ? '' : `, kept until ${dayLabel(until, timeZone)}`;
  return `Done: ${megabytes} MB${kept}.`;
}

const kindOf = ({ options }: FilmToTake): string =>
  [
    SHAPES[options.shape].split(',')[0],
    LOOKS[options.look].toLowerCase(),
    LANGUAGE_NAMES[options.language],
    ...(options.music ? ['with music'] : []),
    ...(options.easier ? ['easier version'] : []),
    options.format.toUpperCase(),
  ].join(', ');

/** The films of a class, each with how far it is and what can be done with it. */
export function FilmList({ films: of, timeZone }: { films: Films; timeZone: string }) {
  const { films, error } = of;
  return (
    <section aria-label="Your films of this class" className="mt-5">
      {error && (
        <p role="alert" className="text-error mb-2">
          {error}
        </p>
      )}
      {films?.length === 0 && <p className="quiet">There is no film of this class yet.</p>}
      <ul className="grid gap-3">
        {films?.map((film) => (
          <FilmLine key={film.id} film={film} of={of} timeZone={timeZone} />
        ))}
      </ul>
    </section>
  );
}

function FilmLine({ film, of, timeZone }: { film: FilmToTake; of: Films; timeZone: string }) {
  const { error, busy, attempt } = useAttempt('Nothing was changed.');
  const { id, state, share } = film;
  const kind = kindOf(film);
  const underWay = state === 'waiting' || state === 'making';
  return (
    <li className="border-base-300 rounded-box border p-3">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
        <div className="min-w-0 grow">
          <p className="font-semibold">{kind}</p>
          <p className={state === 'failed' ? 'text-error' : 'quiet'} aria-live="polite">
            {stateOf(film, timeZone)} {film.old && 'The class was changed since.'}
          </p>
        </div>
        {underWay && (
          <button
            type="button"
            className="btn"
            disabled={busy}
            aria-label={`Stop: ${kind}`}
            onClick={() => void attempt(() => of.change(id, 'stop'))}
          >
            Stop
          </button>
        )}
        {(state === 'stopped' || state === 'failed') && (
          <button
            type="button"
            className="btn"
            disabled={busy}
            aria-label={`Go on: ${kind}`}
            onClick={() => void attempt(() => of.change(id, 'goOn'))}
          >
            Go on
          </button>
        )}
        {state === 'done' && (
          <a
            className="btn btn-primary upbeat-on-accent"
            href={addressOf(CALLS.takeFilm, id)}
            aria-label={`Save: ${kind}`}
            download={fileName(
              film.options.easier ? `${film.name}, easier` : film.name,
              `.${film.options.format}`,
            )}
          >
            Save
          </a>
        )}
        {!underWay && (
          <SureButton
            className="btn btn-ghost"
            disabled={busy}
            label={`Remove: ${kind}`}
            title="Remove this film for good?"
            says="What was saved of it elsewhere stays. It can be made again, which takes as long as before."
            yes="Remove it for good"
            onSure={() => void attempt(() => of.remove(id))}
          >
            Remove
          </SureButton>
        )}
      </div>
      {underWay && (
        <progress
          className="progress progress-secondary mt-2 block w-full"
          aria-label={`How much is made: ${kind}`}
          max={1}
          value={share}
        />
      )}
      {error && (
        <p role="alert" className="text-error mt-2">
          {error}
        </p>
      )}
    </li>
  );
}
