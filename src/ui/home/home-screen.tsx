'use client';

import { keepHome } from '@/browser/follow/settings';
import { saveBlob } from '@/browser/save-file';
import { CALLS, type StreakTold } from '@/core/calls';
import type { FollowWords } from '@/core/follow/words';
import type { HomeLine } from '@/core/home';
import type { Language } from '@/core/language';
import { BYTES_A_MS } from '@/core/take-away';
import { BeatLine } from '../kit/beat-line';
import { GeneralCaution } from '../kit/caution';
import { ActionForm, ButtonForm, Field, type FormAct } from '../kit/form';
import { KeptFresh } from '../kit/kept-fresh';
import { Logo } from '../kit/logo';
import { TakeButton } from '../kit/take-button';
import { TakeOut } from '../kit/take-out';
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
    lines: HomeLine[];
    /** That of the class, and what is said in it where a line is not for them. */
    language: Language;
    given: FollowWords['given'];
  }[];
  /** A class of theirs whose door is open now. */
  open: { className: string; follow: FormAct } | null;
  /** What is asked for now, where they agreed to it. */
  checkIn: { week: number; keep: FormAct } | null;
  practice: { id: string; says: string; mine: boolean }[];
  log: FormAct;
  drop: FormAct;
  /** Shown with every class, in the language of whoever reads it. */
  care: { says: string; language: Language };
}

/** What somebody reads of a move: its words, or what to do where something they carry is against it. */
function wordsOf({ words, against, easier }: HomeLine, given: FollowWords['given']): string {
  if (!against) return words;
  return easier ? given.gentler : given.leaveOut;
}

interface SaveSoundProps {
  token: string;
  of: HomeScreenProps['homeClasses'][number];
}

/** A class to do at home, to be heard: without what is to be left out. */
function SaveSound({ token, of }: SaveSoundProps) {
  const { classId, name, totalMs, lines, language, given } = of;
  return (
    <div>
      <TakeButton
        call={CALLS.takeHomeSound}
        look={CALLS.lookAtHomeSound}
        asked={{ id: classId, body: { as: 'mp3' } }}
        home={token}
        says="Save it as sound"
        bytes={totalMs * BYTES_A_MS.mp3}
        save={(blob) => saveBlob(name, '.mp3', blob)}
      />
      {lines.some(({ against }) => against) && (
        <p lang={language} className="quiet mt-1 text-sm">
          {given.soundLeaves}
        </p>
      )}
    </div>
  );
}

/** Somebody's own page: they log practice at home, and see how regular they are, with the account. */
export function HomeScreen(props: HomeScreenProps) {
  const { name, studioName, today, streaks, practice } = props;
  return (
    <main className="mx-auto grid w-full max-w-xl grid-cols-1 gap-8 px-4 py-6">
      <div>
        <p className="flex items-center gap-2">
          <Logo size={24} /> {studioName}
        </p>
        <h1 className="mt-2 text-3xl font-bold">Practice at home, {name}</h1>
      </div>
      <KeptFresh at={props.now} time={props.time} />
      {props.open && (
        <section aria-labelledby="open" className="bg-base-200 rounded-box p-4">
          <h2 id="open" className="text-xl font-semibold">
            {props.open.className} is open
          </h2>
          <p className="quiet mb-3">See and hear it here. Your teacher sees that you are there.</p>
          {/* This device is theirs: what they do again alone on it counts as practice. */}
          <div onSubmitCapture={() => keepHome(location.pathname)}>
            <ActionForm act={props.open.follow} submit="Follow it here" label="Follow the class" />
          </div>
        </section>
      )}
      <section aria-labelledby="log">
        <h2 id="log" className="mb-2 text-xl font-semibold">
          I practised
        </h2>
        <ActionForm
          act={props.log}
          submit="Log it"
          label="I practised"
          below={() => (
            <button
              type="submit"
              name="off"
              value="yes"
              className="btn btn-ghost btn-sm justify-self-start"
            >
              I take that day off
            </button>
          )}
        >
          <div className="grid grid-cols-2 gap-4">
            <Field name="day" label="Day" type="date" initial={today} />
            <Field name="minutes" label="Minutes, if you know" inputMode="numeric" />
          </div>
        </ActionForm>
      </section>
      {props.checkIn && (
        <section aria-labelledby="check-in">
          <h2 id="check-in" className="mb-2 text-xl font-semibold">
            How does it feel?
          </h2>
          <p className="quiet mb-3 text-sm">
            Only you and your teacher read this. Some people notice something by now, others do not.
          </p>
          <CheckInForm {...props.checkIn} />
        </section>
      )}
      {props.homeClasses.map((h) => (
        <section key={h.classId} aria-label={h.name}>
          <h2 className="text-xl font-semibold">
            {h.name} <span className="figures quiet font-normal">{h.length}</span>
          </h2>
          <ol lang={h.language} className="mt-2 grid gap-3">
            {h.lines.map((line) => (
              <li key={line.id}>
                <p className="font-medium">
                  {line.name} <span className="quiet font-normal">{line.dose}</span>
                </p>
                <p>{wordsOf(line, h.given)}</p>
              </li>
            ))}
          </ol>
          <div className="mt-3 grid gap-3">
            <SaveSound token={props.token} of={h} />
            <ActionForm act={props.log} submit="I did it" label={`I did ${h.name}`}>
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
            Kept {s.lately.kept} of {s.lately.asked} in the last 12 weeks
            {s.line.current > 0 && `; ${s.count}`}.
          </p>
          <BeatLine line={s.line} large />
          <details className="mt-1">
            <summary className="cursor-pointer">Day by day</summary>
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
          What is logged
        </h2>
        {practice.length === 0 ? (
          <p className="quiet">Nothing yet. What you log above will stand here.</p>
        ) : (
          <ButtonForm act={props.drop} label="What is logged">
            <ul className="divide-base-300 -mt-4 divide-y">
              {practice.map((p) => (
                <li key={p.id} className="flex items-center gap-3 py-1">
                  <span className="min-w-0 flex-1">{p.says}</span>
                  {p.mine ? (
                    <TakeOut id={p.id} says={p.says} />
                  ) : (
                    <span className="quiet text-sm">by your teacher</span>
                  )}
                </li>
              ))}
            </ul>
          </ButtonForm>
        )}
      </section>
      <GeneralCaution {...props.care} />
    </main>
  );
}
