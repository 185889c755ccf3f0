'use client';

import { keepHome, tickCautions } from '@/browser/follow/settings';
import { saveBlob } from '@/browser/save-file';
import { CALLS, type StreakTold } from '@/core/calls';
import type { ActWords } from '@/core/follow/words';
import type { HomeWords } from '@/core/home/words';
import type { Language } from '@/core/language';
import { filled } from '@/core/language/filled';
import type { Caution } from '@/core/move';
import { BYTES_A_MS } from '@/core/take-away';
import { BeatLine } from '../kit/beat-line';
import { GeneralCaution } from '../kit/caution';
import { ActionForm, ButtonForm, Field, type FormAct } from '../kit/form';
import { KeptFresh } from '../kit/kept-fresh';
import { Logo } from '../kit/logo';
import { TakeButton } from '../kit/take-button';
import { TakeOut } from '../kit/take-out';
import { ActsSaid } from '../kit/use-act';
import { CheckInForm } from '../people/check-ins';

export interface HomeScreenProps {
  /** What this page is known by. */
  token: string;
  name: string;
  studioName: string;
  /** When the server made the page, epoch ms, and as a time of day. */
  now: number;
  time: string;
  /** ISO 8601 date. */
  today: string;
  streaks: StreakTold[];
  homeClasses: {
    classId: string;
    name: string;
    length: string;
    totalMs: number;
    /** What to have ready, in the language of the class. */
    ready: string | null;
    lines: { id: string; name: string; dose: string | null; says: string; mind: string }[];
    language: Language;
    /** What is said of its sound, where it is not as planned. */
    sound: string | null;
  }[];
  /** A class of theirs whose door is open now, and what they carry that their teacher knows of. */
  open: { className: string; carried: readonly Caution[]; follow: FormAct } | null;
  /** What is asked for now, where they agreed to it. */
  checkIn: { week: number; keep: FormAct } | null;
  practice: { id: string; says: string; mine: boolean }[];
  log: FormAct;
  drop: FormAct;
  /** Of whoever reads it: of all that the application says here, and of the caution that is shown with every class. */
  language: Language;
  words: HomeWords;
  acts: ActWords;
  care: string;
}

interface SaveSoundProps extends Pick<HomeScreenProps, 'token' | 'words'> {
  of: HomeScreenProps['homeClasses'][number];
}

/** A class to do at home, to be heard: as it stands there for them. */
function SaveSound({ token, of, words }: SaveSoundProps) {
  const { classId, name, totalMs, language, sound } = of;
  return (
    <div>
      <TakeButton
        call={CALLS.takeHomeSound}
        look={CALLS.lookAtHomeSound}
        asked={{ id: classId, body: { as: 'mp3' } }}
        home={token}
        says={words.saveSound}
        words={words.take}
        refused={({ code, message }) => words.refused[code ?? ''] ?? message}
        bytes={totalMs * BYTES_A_MS.mp3}
        save={(blob) => saveBlob(name, '.mp3', blob)}
      />
      {sound && (
        <p lang={language} className="quiet mt-1 text-sm">
          {sound}
        </p>
      )}
    </div>
  );
}

/** Somebody's own page: they log practice at home, and see how regular they are, with the account. */
export function HomeScreen(props: HomeScreenProps) {
  const { name, studioName, today, streaks, practice, words } = props;
  const { carried = [] } = props.open ?? {};
  return (
    <ActsSaid value={props.acts}>
      <main
        lang={props.language}
        className="mx-auto grid w-full max-w-xl grid-cols-1 gap-8 px-4 py-6"
      >
        <div>
          <p className="flex items-center gap-2">
            <Logo size={24} /> {studioName}
          </p>
          <h1 className="mt-2 text-3xl font-bold">{filled(words.heading, { name })}</h1>
        </div>
        <KeptFresh
          at={props.now}
          time={props.time}
          says={filled(words.stale, { time: props.time })}
        />
        {props.open && (
          <section aria-labelledby="open" className="bg-base-200 rounded-box p-4">
            <h2 id="open" className="text-xl font-semibold">
              {filled(words.open, { class: props.open.className })}
            </h2>
            <p className="quiet mb-3">
              {words.openHelp} {carried.length > 0 && words.openCarried}
            </p>
            {/* This device is theirs: what they do again alone on it counts as practice. */}
            <div
              onSubmitCapture={() => {
                keepHome(location.pathname);
                tickCautions(carried);
              }}
            >
              <ActionForm act={props.open.follow} submit={words.follow} label={words.followLabel} />
            </div>
          </section>
        )}
        <section aria-labelledby="log">
          <h2 id="log" className="mb-2 text-xl font-semibold">
            {words.practised}
          </h2>
          <ActionForm
            act={props.log}
            submit={words.logIt}
            label={words.practised}
            below={() => (
              <button
                type="submit"
                name="off"
                value="yes"
                className="btn btn-ghost btn-sm justify-self-start"
              >
                {words.dayOff}
              </button>
            )}
          >
            <div className="grid grid-cols-[repeat(auto-fit,minmax(10.5rem,1fr))] gap-4">
              <Field name="day" label={words.day} type="date" initial={today} />
              <Field name="minutes" label={words.minutes} inputMode="numeric" />
            </div>
          </ActionForm>
        </section>
        {props.checkIn && (
          <section aria-labelledby="check-in">
            <h2 id="check-in" className="mb-2 text-xl font-semibold">
              {words.feels}
            </h2>
            <p className="quiet mb-3 text-sm">{words.feelsHelp}</p>
            <CheckInForm {...props.checkIn} words={words} />
          </section>
        )}
        {props.homeClasses.map((h) => (
          <section key={h.classId} aria-label={h.name}>
            <h2 className="text-xl font-semibold">
              {h.name} <span className="figures quiet font-normal">{h.length}</span>
            </h2>
            {h.ready && (
              <p lang={h.language} className="mt-1">
                {h.ready}
              </p>
            )}
            <ol lang={h.language} className="mt-2 grid gap-3">
              {h.lines.map((line) => (
                <li key={line.id}>
                  <p className="font-medium">
                    {line.name}{' '}
                    {line.dose && <span className="quiet font-normal">{line.dose}</span>}
                  </p>
                  <p>{line.says}</p>
                  <p className="quiet text-sm empty:hidden">{line.mind}</p>
                </li>
              ))}
            </ol>
            <div className="mt-3 grid gap-3">
              <SaveSound token={props.token} of={h} words={words} />
              <ActionForm
                act={props.log}
                submit={words.didIt}
                label={filled(words.didLabel, { class: h.name })}
              >
                <input type="hidden" name="day" value={today} />
                <input
                  type="hidden"
                  name="minutes"
                  value={Math.max(1, Math.round(h.totalMs / 60_000))}
                />
              </ActionForm>
            </div>
          </section>
        ))}
        {streaks.map((s) => (
          <section key={s.classId} aria-label={s.className}>
            <h2 className="text-xl font-semibold">{s.className}</h2>
            <p className="mt-1">
              {filled(words.lately, s.lately)}
              {s.line.current > 0 && `; ${s.count}`}.
            </p>
            <BeatLine line={s.line} large />
            <details className="mt-1">
              <summary className="cursor-pointer">{words.dayByDay}</summary>
              <p className="quiet mt-1 text-sm">{s.rule}</p>
              <ol className="divide-base-300 mt-2 divide-y">
                {s.account.map((told) => (
                  <li key={`${told.when} ${told.says}`} className="py-1.5">
                    <span className="font-medium">{told.when}:</span> {told.says}
                  </li>
                ))}
              </ol>
            </details>
          </section>
        ))}
        <section aria-labelledby="logged">
          <h2 id="logged" className="mb-2 text-xl font-semibold">
            {words.logged}
          </h2>
          {practice.length === 0 ? (
            <p className="quiet">{words.nothingLogged}</p>
          ) : (
            <ButtonForm act={props.drop} label={words.logged}>
              <ul className="divide-base-300 -mt-4 divide-y">
                {practice.map((p) => (
                  <li key={p.id} className="flex items-center gap-3 py-1">
                    <span className="min-w-0 flex-1">{p.says}</span>
                    {p.mine ? (
                      <TakeOut id={p.id} says={p.says} press={words.takeOut} />
                    ) : (
                      <span className="quiet text-sm">{words.byTeacher}</span>
                    )}
                  </li>
                ))}
              </ul>
            </ButtonForm>
          )}
        </section>
        <GeneralCaution says={props.care} />
      </main>
    </ActsSaid>
  );
}
