'use client';

import { useId, useState } from 'react';
import { Errands } from '@/browser/errand';
import { FOLLOW_PATHS } from '@/browser/follow/line';
import { dropClass } from '@/browser/follow/store';
import { type FollowWords, refusedIn } from '@/core/follow/words';
import type { Language } from '@/core/language';
import { CAUTIONS } from '@/core/move';
import { Dialog } from '../kit/dialog';
import { leadsOn } from '../kit/use-act';
import type { Choosing } from './choosing';
import { InStep } from './in-step';
import type { Followed } from './use-follow';

export interface SheetsProps {
  sheet: 'cautions' | 'more';
  words: FollowWords;
  language: Language;
  choosing: Choosing;
  /** Nothing where somebody does a class alone. */
  followed?: Followed;
  code?: string;
  /** The device may turn the screen off in the middle of the class. */
  mayGoDark: boolean;
  leave?: () => Promise<void>;
  onClose: () => void;
}

/** What somebody chooses for themselves. */
export function Sheets(props: SheetsProps) {
  const { sheet, words, onClose } = props;
  return (
    <Dialog
      title={sheet === 'cautions' ? words.cautionsTitle : words.moreTitle}
      closes={words.close}
      unsent={words.unsent}
      onClose={onClose}
    >
      {sheet === 'cautions' ? <Cautions {...props} /> : <More {...props} />}
      {!props.followed && sheet === 'cautions' && <More {...props} />}
    </Dialog>
  );
}

const ROW = 'flex min-h-12 cursor-pointer items-center gap-3';

function Cautions({ words, choosing }: SheetsProps) {
  const { cautions, setCautions } = choosing;
  return (
    <div className="grid gap-1">
      <p className="quiet mb-2">{words.cautionsHelp}</p>
      {CAUTIONS.map((caution) => (
        <label key={caution} className={ROW}>
          <input
            type="checkbox"
            className="checkbox checkbox-lg border-base-content/70"
            checked={cautions.includes(caution)}
            onChange={({ target }) =>
              setCautions(
                target.checked
                  ? [...cautions, caution]
                  : cautions.filter((other) => other !== caution),
              )
            }
          />
          {words.caution[caution]}
        </label>
      ))}
      <p className="border-accent mt-3 border-l-4 pl-3">{words.cautionsCare}</p>
    </div>
  );
}

function More(props: SheetsProps) {
  const { words, language, choosing, followed, mayGoDark } = props;
  const { settings, change } = choosing;
  const volume = useId();
  const toggle = (name: 'slower' | 'vibrate' | 'larger' | 'facing') => (
    <label key={name} className={ROW}>
      <input
        type="checkbox"
        className="toggle toggle-lg"
        checked={settings[name]}
        onChange={({ target }) => change({ [name]: target.checked })}
      />
      {words[name]}
    </label>
  );
  return (
    <div className="grid gap-4">
      <fieldset>
        <legend className="font-semibold">{words.hear}</legend>
        {(['off', 'class', 'device'] as const).map((voice) => (
          <label key={voice} className={ROW}>
            <input
              type="radio"
              name="voice"
              className="accent-primary size-5"
              checked={settings.voice === voice}
              onChange={() => change({ voice })}
            />
            {words.voices[voice]}
          </label>
        ))}
        <label htmlFor={volume} className="mt-1 block">
          {words.volume}
        </label>
        <input
          id={volume}
          type="range"
          className="range w-full"
          min={0}
          max={1}
          step={0.05}
          value={settings.volume}
          onChange={({ target }) => change({ volume: Number(target.value) })}
        />
      </fieldset>
      <div>{(['slower', 'vibrate', 'larger', 'facing'] as const).map(toggle)}</div>
      {mayGoDark && <p className="quiet">{words.sleeps}</p>}
      {followed && (
        <>
          <AskForm words={words} language={language} />
          <details>
            <summary className="cursor-pointer py-2">{words.step}</summary>
            <InStep followed={followed} />
          </details>
          <Leave {...props} />
        </>
      )}
    </div>
  );
}

function AskForm({ words, language }: { words: FollowWords; language: Language }) {
  const [question, setQuestion] = useState('');
  const [times, setTimes] = useState(0);
  const [withName, setWithName] = useState(false);
  const [said, setSaid] = useState('');
  const [busy, setBusy] = useState(false);
  const [errands] = useState(() => new Errands());
  const id = useId();
  const send = async () => {
    setBusy(true);
    try {
      const { ok, ...said } = await errands.send(
        JSON.stringify([question, withName]),
        async (sentAs) => {
          const response = await fetch(FOLLOW_PATHS.questions, {
            method: 'POST',
            headers: { 'Content-Type': 'application/json' },
            body: JSON.stringify({ question, withName, sentAs }),
          });
          const { code, message } = (await response.json()) as { code?: string; message?: string };
          // Whoever stands before a server that is away answers for it, with no refusal of ours.
          if (!response.ok && !message) throw new Error(`answered ${response.status}`);
          return { ok: response.ok, code, message: message ?? '' };
        },
      );
      if (ok) {
        setQuestion('');
        setTimes((n) => n + 1);
      }
      setSaid(ok ? words.sent : refusedIn(language, said));
    } catch {
      setSaid(words.offline);
    }
    setBusy(false);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (question.trim() && !busy) void send();
      }}
    >
      <h3 className="font-semibold">{words.ask}</h3>
      <p className="quiet">{words.askHelp}</p>
      <label htmlFor={id} className="sr-only">
        {words.question}
      </label>
      <textarea
        // The dialog knows by what it began with whether something was written and not sent.
        key={times}
        defaultValue=""
        id={id}
        className="textarea mt-1 w-full text-base"
        rows={2}
        maxLength={240}
        onChange={({ target }) => setQuestion(target.value)}
      />
      <label className={ROW}>
        <input
          type="checkbox"
          className="checkbox border-base-content/70"
          checked={withName}
          onChange={({ target }) => setWithName(target.checked)}
        />
        {words.withName}
      </label>
      <button type="submit" className="btn h-12" disabled={busy || !question.trim()}>
        {words.send}
      </button>
      <p role="status" className="mt-1">
        {said}
      </p>
    </form>
  );
}

/** Asked twice, so that a slip does not end a class. */
function Leave({ words, leave, code }: SheetsProps) {
  const [sure, setSure] = useState(false);
  const [failed, setFailed] = useState(false);
  if (!sure) {
    return (
      <button type="button" className="btn h-12" onClick={() => setSure(true)}>
        {words.leave}
      </button>
    );
  }
  return (
    <div>
      <p className="mb-2 font-semibold">{words.sureToLeave}</p>
      <div className="flex gap-2">
        <button type="button" className="btn h-12 flex-1" onClick={() => setSure(false)}>
          {words.stay}
        </button>
        <button
          type="button"
          className="btn btn-error h-12 flex-1"
          onClick={async () => {
            try {
              await leave?.();
            } catch (problem) {
              if (!leadsOn(problem)) return setFailed(true);
            }
            if (code) await dropClass(code).catch(() => {});
          }}
        >
          {words.leave}
        </button>
      </div>
      {failed && (
        <p role="alert" className="mt-2">
          {words.offline}
        </p>
      )}
    </div>
  );
}
