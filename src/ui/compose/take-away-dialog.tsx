'use client';

import { useMemo, useState } from 'react';
import { saveBlob } from '@/browser/save-file';
import { takeFile } from '@/browser/take-file';
import { CALLS } from '@/core/calls';
import type { BookedPerson } from '@/core/checks';
import { PHASE_NAMES, PHASES, type PhaseName, type Plan, placedSegments } from '@/core/class';
import { planForPerson } from '@/core/home';
import { LANGUAGE_NAMES, LANGUAGES, type Language } from '@/core/language';
import type { Book, Score } from '@/core/score';
import {
  AUDIO_FORMATS,
  type AudioFormat,
  BYTES_A_MS,
  partOf,
  WORD_FORMATS,
  type WordFormat,
} from '@/core/take-away';
import { GeneralCaution } from '../kit/caution';
import { Choice } from '../kit/choice';
import { Dialog } from '../kit/dialog';
import { TakeButton } from '../kit/take-button';
import { Tick } from '../kit/tick';
import { useAttempt } from '../kit/use-attempt';

export interface TakeAwayDialogProps {
  classId: string;
  plan: Plan;
  book: Book;
  nameOf: (moveId: string) => string;
  /** Who is booked, and what they carry. */
  people: readonly BookedPerson[];
  /** What it is now; how long it will be is only about as long. */
  score: Score;
  /** Whether something is played under it. */
  hasMusic: boolean;
  onClose: () => void;
}

const SOUND: Record<AudioFormat, string> = {
  mp3: 'MP3, for any player',
  m4a: 'M4A, for newer players',
  opus: 'Opus, the smallest',
  wav: 'WAV, to work on',
};
const WORDS: Record<WordFormat, string> = {
  vtt: 'Captions, WebVTT',
  srt: 'Captions, SRT',
  chapters: 'Chapters, WebVTT',
  text: 'Text with times',
};
const ENDINGS: Record<WordFormat, string> = {
  vtt: '.vtt',
  srt: '.srt',
  chapters: '.chapters.vtt',
  text: '.txt',
};

/** How the class is done that is taken away: as planned, easier, or as one person may do it, by their id. */
const PLANNED = 'planned';
const EASIER = 'easier';

/** The class as sound and as words, in files to take away. */
export function TakeAwayDialog(props: TakeAwayDialogProps) {
  const { plan, people, onClose } = props;
  const [counts, setCounts] = useState(true);
  const [music, setMusic] = useState(props.hasMusic);
  const [chosen, setChosen] = useState<string>(PLANNED);
  const carrying = people.filter(({ cautions }) => cautions.length > 0);
  const person = carrying.find(({ id }) => id === chosen);
  const done = person || chosen === EASIER ? chosen : PLANNED;
  const names = {
    [PLANNED]: 'As planned',
    [EASIER]: 'Easier, wherever a move has it',
    ...Object.fromEntries(carrying.map(({ id, name }) => [id, `As ${name} may do it`])),
  };
  const added = person ? `, for ${person.name}` : done === EASIER ? ', easier' : '';
  const as = person ? { person: person.id } : { easier: done === EASIER ? 'yes' : 'no' };
  const file: FileProps = { ...props, name: plan.name + added, counts, music, as };
  return (
    <Dialog title="Sound, captions, sheet" onClose={onClose}>
      <p className="quiet mb-3">
        The class as it is saved now and led as planned, with every move explained as for newcomers.
      </p>
      <div className="mb-4 grid gap-1">
        <Tick label="With counts and tones" checked={counts} onChange={setCounts} />
        {props.hasMusic && (
          <>
            <Tick label="With the music of the class" checked={music} onChange={setMusic} />
            {music && (
              <p className="quiet text-sm">Hand on music of your own only where you may.</p>
            )}
          </>
        )}
        <Choice
          label="How it is done"
          value={done}
          options={[PLANNED, EASIER, ...carrying.map(({ id }) => id)]}
          names={names}
          onChange={setChosen}
          width="w-full max-w-sm"
        />
        {person && <ForPerson {...props} person={person} />}
      </div>
      <div className="grid gap-5">
        <SoundFile {...file} />
        <WordsFile {...file} />
        <SheetFile {...file} />
        <PackFile {...file} />
      </div>
      <GeneralCaution className="mt-5" />
    </Dialog>
  );
}

/** What becomes of a class for somebody: what is easier, and what is left out. */
function ForPerson({
  plan,
  book,
  nameOf,
  person,
}: Pick<TakeAwayDialogProps, 'plan' | 'book' | 'nameOf'> & { person: BookedPerson }) {
  const { easier, left, strong } = useMemo(
    () => planForPerson(plan, person.cautions, book),
    [plan, person, book],
  );
  const moves = new Map(placedSegments(plan).map(({ segment }) => [segment.id, segment.move]));
  const named = (ids: readonly string[], isStrong = false) =>
    [
      ...new Set(
        ids.flatMap((id) => (strong.includes(id) === isStrong ? nameOf(moves.get(id) ?? '') : [])),
      ),
    ].join(', ');
  const [carried, leftOut] = [named(easier), named(left)];
  const [gentler, tooStrong] = [named(easier, true), named(left, true)];
  return (
    <div className="border-warning mt-1 border-l-4 pl-3 text-sm">
      {!(carried || leftOut) && <p>Nothing that {person.name} carries is against this class.</p>}
      {carried && <p>Easier, and let go without hands: {carried}.</p>}
      {leftOut && <p>Left out: {leftOut}.</p>}
      {gentler && <p>Easier, since it is strong and may be heard every day: {gentler}.</p>}
      {tooStrong && <p>Left out, since it is strong and may be heard every day: {tooStrong}.</p>}
      <p className="quiet">
        By what {person.name} told you. Ask them again before you hand it on, and whoever cares for
        them where you are unsure.
      </p>
    </div>
  );
}

interface FileProps extends TakeAwayDialogProps {
  /** What the file is called. */
  name: string;
  counts: boolean;
  music: boolean;
  /** How the class is done in it. */
  as: { easier: string } | { person: string };
}

/** What each file is asked for with. */
const asked = ({ counts, as }: FileProps) => ({ counts: counts ? 'yes' : 'no', ...as });
const askedToHear = (props: FileProps) => ({
  ...asked(props),
  music: props.music ? 'yes' : 'no',
});

const WHOLE = 'whole';

function SoundFile(props: FileProps) {
  const { classId, name, score } = props;
  const [as, setAs] = useState<AudioFormat>('mp3');
  const [chosen, setChosen] = useState<PhaseName | typeof WHOLE>(WHOLE);
  const phases = PHASES.filter((phase) => score.steps.some((step) => step.phase === phase));
  // A phase that was emptied meanwhile is no choice any more.
  const phase = phases.find((p) => p === chosen);
  const { fromMs, toMs } = partOf(score, phase) ?? { fromMs: 0, toMs: score.totalMs };
  const body = { as, ...askedToHear(props), ...(phase && { phase }) };
  return (
    <section aria-label="Sound" className="flex flex-wrap items-end gap-3">
      <Choice
        label="Sound"
        value={as}
        options={AUDIO_FORMATS}
        names={SOUND}
        onChange={setAs}
        width="w-56"
      />
      <Choice
        label="Part"
        value={phase ?? WHOLE}
        options={[WHOLE, ...phases]}
        names={{ ...PHASE_NAMES, whole: 'The whole class' }}
        onChange={setChosen}
        width="w-40"
      />
      <TakeButton
        call={CALLS.takeSound}
        look={CALLS.lookAtSound}
        asked={{ id: classId, body }}
        says="Save the sound"
        strong
        bytes={(toMs - fromMs) * BYTES_A_MS[as]}
        save={(blob) => saveBlob(phase ? `${name}, ${PHASE_NAMES[phase]}` : name, `.${as}`, blob)}
      />
    </section>
  );
}

/** About how many bytes a sheet has. */
const SHEET_BYTES = 120_000;

function SheetFile({ classId, name, as }: FileProps) {
  return (
    <section aria-label="Sheet">
      <p className="mb-2">The run sheet on paper: what comes when, what is said, how it looks.</p>
      <TakeButton
        call={CALLS.takeSheet}
        asked={{ id: classId, body: as }}
        says="Save the sheet, PDF"
        bytes={SHEET_BYTES}
        save={(blob) => saveBlob(name, '.pdf', blob)}
      />
    </section>
  );
}

function PackFile(props: FileProps) {
  const { classId, name, score, as } = props;
  return (
    <section aria-label="All of it">
      <p className="mb-2">
        All of it in one ZIP file: sound, words in every language, the sheet,{' '}
        {'person' in as ? '' : 'your film where one is made, '}and the class itself, which Up Beat
        opens again.
      </p>
      <TakeButton
        call={CALLS.takePack}
        look={CALLS.lookAtSound}
        asked={{ id: classId, body: askedToHear(props) }}
        says="Save all of it"
        bytes={score.totalMs * BYTES_A_MS.mp3}
        save={(blob) => saveBlob(name, '.zip', blob)}
      />
    </section>
  );
}

function WordsFile(props: FileProps) {
  const { classId, name } = props;
  const [as, setAs] = useState<WordFormat>('vtt');
  const [language, setLanguage] = useState<Language>(props.plan.language);
  const { error, busy, attempt } = useAttempt('Nothing was saved.');
  const take = () =>
    attempt(async () => {
      const body = { as, language, ...asked(props) };
      const { signal } = new AbortController();
      const blob = await takeFile(
        CALLS.takeWords,
        { id: classId, body },
        { signal, onProgress: () => {} },
      );
      saveBlob(name, `.${language}${ENDINGS[as]}`, blob);
    });
  return (
    <section aria-label="Words">
      <div className="flex flex-wrap items-end gap-3">
        <Choice
          label="Words"
          value={as}
          options={WORD_FORMATS}
          names={WORDS}
          onChange={setAs}
          width="w-56"
        />
        <Choice
          label="Language"
          value={language}
          options={LANGUAGES}
          names={LANGUAGE_NAMES}
          onChange={setLanguage}
          width="w-36"
        />
        <button type="button" className="btn" disabled={busy} onClick={() => void take()}>
          Save the words
        </button>
      </div>
      {error && (
        <p role="alert" className="text-error mt-2">
          {error}
        </p>
      )}
    </section>
  );
}
