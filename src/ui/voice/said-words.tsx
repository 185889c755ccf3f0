'use client';

import { Trash2, Volume2 } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { type FormEvent, useId, useState } from 'react';
import { toast } from 'sonner';
import { ask } from '@/browser/api';
import { hear } from '@/browser/hear';
import { CALLS } from '@/core/calls';
import { LANGUAGE_NAMES, LANGUAGES, type Language } from '@/core/language';
import { MOST_SAID_WORDS, type SaidWord, saidWordSchema } from '@/core/speech';
import { Choice } from '../kit/choice';
import { Empty } from '../kit/empty';
import { useAttempt } from '../kit/use-attempt';

const RATE = 131;

export interface SaidWordsProps {
  words: (SaidWord & { id: string })[];
}

const aloud = async (text: string, language: Language) => {
  const heard = await hear({ text, language, wordsPerMinute: RATE });
  if (!heard) toast.error('Nothing can speak here now. Try again.');
};

/** Words of the studio that a voice says wrongly, and how they are said instead. */
export function SaidWords({ words }: SaidWordsProps) {
  const router = useRouter();
  const { error, busy, attempt } = useAttempt('What you wrote is still here.');
  const [language, setLanguage] = useState<Language>('en');
  const [written, setWritten] = useState('');
  const [said, setSaid] = useState('');
  const [wrong, setWrong] = useState<Partial<Record<'written' | 'said', string>>>({});
  const full = words.length >= MOST_SAID_WORDS;

  const keep = async (event: FormEvent) => {
    event.preventDefault();
    const read = saidWordSchema.safeParse({ language, written, said });
    if (!read.success) {
      setWrong(
        Object.fromEntries(
          [...read.error.issues].reverse().map(({ path, message }) => [path[0], message]),
        ),
      );
      return;
    }
    setWrong({});
    const done = await attempt(async () => {
      await ask(CALLS.keepSaidWord, { body: read.data });
      setWritten('');
      setSaid('');
    });
    if (done) router.refresh();
  };
  const remove = async (id: string) => {
    if (await attempt(async () => void (await ask(CALLS.removeSaidWord, { id })))) router.refresh();
  };
  return (
    <>
      <p className="mt-1 max-w-prose">
        A name or a word that comes out wrong? Write it as it stands in your cues, and as it sounds.
        Everybody in the studio hears it so from then on, in every voice; what you recorded stays.
      </p>
      <form onSubmit={keep} className="mt-3 flex flex-wrap items-start gap-3" noValidate>
        <Choice
          label="Language"
          value={language}
          options={LANGUAGES}
          names={LANGUAGE_NAMES}
          onChange={setLanguage}
          width="w-32"
        />
        <Field
          label="As it is written"
          value={written}
          onChange={setWritten}
          error={wrong.written}
        />
        <Field label="As it sounds" value={said} onChange={setSaid} error={wrong.said} />
        <div className="mt-6 flex gap-2">
          <button
            type="button"
            className="btn"
            disabled={!said.trim()}
            onClick={() => aloud(said, language)}
          >
            <Volume2 size={18} aria-hidden /> Hear it
          </button>
          <button type="submit" className="btn btn-primary" disabled={busy}>
            Say it so
          </button>
        </div>
      </form>
      {full && (
        <p className="quiet mt-1 text-sm">
          A studio has {MOST_SAID_WORDS} words of its own at most. Remove one to write another.
        </p>
      )}
      {error && (
        <p role="alert" className="text-error mt-1 text-sm">
          {error}
        </p>
      )}
      {words.length === 0 ? (
        <div className="mt-3">
          <Empty title="No words of your own yet">Voices say all words as they would.</Empty>
        </div>
      ) : (
        <ul className="divide-base-300 mt-2 max-h-96 divide-y overflow-y-auto">
          {words.map((word) => (
            <li key={word.id} className="flex items-center gap-3 py-1.5">
              <span lang={word.language} className="min-w-0 flex-1 break-words">
                <span className="font-semibold">{word.written}</span>
                <span aria-hidden> → </span>
                <span className="sr-only"> is said </span>
                {word.said}
              </span>
              <span className="quiet text-sm">{LANGUAGE_NAMES[word.language]}</span>
              <button
                type="button"
                className="btn btn-ghost btn-sm btn-square"
                aria-label={`Hear: ${word.written}`}
                onClick={() => aloud(word.written, word.language)}
              >
                <Volume2 size={16} aria-hidden />
              </button>
              <button
                type="button"
                className="btn btn-ghost btn-sm btn-square"
                aria-label={`Remove: ${word.written}`}
                disabled={busy}
                onClick={() => remove(word.id)}
              >
                <Trash2 size={16} aria-hidden />
              </button>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

interface FieldProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
  error?: string | undefined;
}

function Field({ label, value, onChange, error }: FieldProps) {
  const id = useId();
  return (
    <div className="grid w-52 content-start">
      <label htmlFor={id} className="text-sm leading-6 font-medium">
        {label}
      </label>
      <input
        id={id}
        className={`input w-full ${error ? 'input-error' : ''}`}
        value={value}
        maxLength={200}
        aria-invalid={error !== undefined}
        aria-describedby={error ? `${id}-error` : undefined}
        onChange={(event) => onChange(event.target.value)}
      />
      {error && (
        <p id={`${id}-error`} className="text-error text-sm">
          {error}
        </p>
      )}
    </div>
  );
}
