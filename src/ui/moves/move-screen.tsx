'use client';

import { ArrowLeft, Copy, Mic, Pencil, Trash2 } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { ask, toldOf } from '@/browser/api';
import { CALLS } from '@/core/calls';
import { LANGUAGE_NAMES, LANGUAGES, type Language } from '@/core/language';
import {
  AREA_NAMES,
  cuesOf,
  doseLabel,
  KIND_NAMES,
  type Move,
  type MoveText,
  moveText,
  PURPOSE_NAMES,
  RELEASE_NAMES,
  SIDES_NAMES,
  VARIANTS,
} from '@/core/move';
import { GeneralCaution } from '../kit/caution';
import { KindGlyph } from '../kit/kind-glyph';
import { Link } from '../kit/link';
import { MoveCautions } from '../kit/move-cautions';
import { SureButton } from '../kit/sure-button';
import { RecordDialog } from '../voice/record-dialog';
import { areasOf } from './find';
import { HearButton } from './hear-button';
import { MovePlayer } from './move-player';

export interface MoveScreenProps {
  move: Move;
  own: boolean;
  usedIn: { id: string; name: string }[];
}

const HANDS = { free: 'free', light: 'light', firm: 'firm' } as const;
const SURFACES = {
  dry: 'a dry grip',
  glide: 'glide (oil or cream)',
  either: 'dry or oiled',
} as const;

/** All there is to know about one move. */
export function MoveScreen({ move, own, usedIn }: MoveScreenProps) {
  const text = moveText(move);
  return (
    <main className="mx-auto w-full max-w-6xl px-4 py-5 sm:px-6">
      <Link href="/moves" className="btn btn-ghost btn-sm -ml-3">
        <ArrowLeft size={16} aria-hidden /> Moves
      </Link>
      <div className="mt-1 flex flex-wrap items-center gap-3">
        <KindGlyph kind={move.kind} size={42} />
        <h1 className="min-w-60 flex-1 text-3xl font-bold">{text.name}</h1>
        <MoveActions move={move} own={own} />
      </div>
      <div className="mt-5 grid gap-8 md:grid-cols-[20rem_minmax(0,1fr)]">
        <div>
          <MovePlayer move={move} />
          <Facts move={move} />
        </div>
        <div className="min-w-0">
          <div className="grid gap-8 xl:grid-cols-2">
            {LANGUAGES.map((language) => {
              const words = move.text[language];
              return words ? (
                <Words key={language} move={move} language={language} words={words} />
              ) : null;
            })}
          </div>
          <MoveCautions
            move={move}
            release={move.releaseSeconds ? move.release : undefined}
            className="text-base"
          />
          <h2 className="mt-6 text-lg font-semibold">Used in</h2>
          {usedIn.length === 0 ? (
            <p className="quiet">No class of yours uses it yet.</p>
          ) : (
            <ul className="mt-1 flex flex-wrap gap-x-4">
              {usedIn.map((c) => (
                <li key={c.id}>
                  <Link href={`/classes/${c.id}`} className="link">
                    {c.name}
                  </Link>
                </li>
              ))}
            </ul>
          )}
          <GeneralCaution className="mt-6" />
        </div>
      </div>
    </main>
  );
}

function MoveActions({ move, own }: { move: Move; own: boolean }) {
  const router = useRouter();
  const remove = async () => {
    try {
      await ask(CALLS.removeMove, { id: move.id });
      router.push('/moves');
      router.refresh();
    } catch (error) {
      toast.error(toldOf(error));
    }
  };
  return (
    <div className="flex flex-wrap gap-2">
      <Link href={`/moves/new?from=${move.id}`} className="btn btn-outline">
        <Copy size={18} aria-hidden /> Copy and change
      </Link>
      {own && (
        <>
          <Link href={`/moves/new?change=${move.id}`} className="btn btn-outline">
            <Pencil size={18} aria-hidden /> Change
          </Link>
          <SureButton
            className="btn btn-outline"
            title={`Remove ${moveText(move).name} for good?`}
            says="Its words, its picture and its cautions go with it. Sessions that were led with it stay as they were."
            yes="Remove it for good"
            onSure={remove}
          >
            <Trash2 size={18} aria-hidden /> Remove
          </SureButton>
        </>
      )}
    </div>
  );
}

function Facts({ move }: { move: Move }) {
  const facts: [string, string][] = [
    ['Kind', KIND_NAMES[move.kind]],
    [
      'Areas',
      areasOf(move)
        .map((a) => AREA_NAMES[a])
        .join(', '),
    ],
    ['Muscles', move.muscles.join(', ')],
    ['Usual dose', `${doseLabel(move.dose)}${move.rounds > 1 ? ` × ${move.rounds}` : ''}`],
    ['From, to', move.range ? `${move.range[0]} to ${move.range[1]} s` : ''],
    ['Sides', SIDES_NAMES[move.sides]],
    ['Let go by', RELEASE_NAMES[move.release]],
    [
      'Hands',
      `${HANDS[move.hands]}${move.pressure === 'none' ? '' : `, ${move.pressure} pressure`}`,
    ],
    ['Needs', SURFACES[move.surface]],
    ['Head', move.head],
    ['Props', move.props.join(', ')],
    ['Good for', move.purposes.map((p) => PURPOSE_NAMES[p]).join(', ')],
    [
      'At most',
      move.weeklyCap ? `${move.weeklyCap === 1 ? 'once' : `${move.weeklyCap} times`} a week` : '',
    ],
  ];
  return (
    <dl className="mt-4 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-sm">
      {facts
        .filter(([, value]) => value !== '')
        .map(([name, value]) => (
          <div key={name} className="contents">
            <dt className="quiet">{name}</dt>
            <dd>{value}</dd>
          </div>
        ))}
    </dl>
  );
}

function Words({ move, language, words }: { move: Move; language: Language; words: MoveText }) {
  const [recording, setRecording] = useState(false);
  const cues = useMemo(() => cuesOf(words).map((text) => ({ text, language })), [words, language]);
  return (
    <section lang={language} aria-label={LANGUAGE_NAMES[language]}>
      <div className="flex flex-wrap items-start justify-between gap-2">
        <h2 className="text-lg font-semibold">
          {words.name} <span className="quiet text-sm font-normal">{LANGUAGE_NAMES[language]}</span>
        </h2>
        <button
          type="button"
          lang="en"
          className="btn btn-outline btn-sm"
          onClick={() => setRecording(true)}
        >
          <Mic size={16} aria-hidden /> Record in your voice
        </button>
      </div>
      {recording && (
        <RecordDialog
          title={`${words.name}, in your voice`}
          move={move}
          cues={cues}
          onClose={() => setRecording(false)}
        />
      )}
      <Cues name="Set-up" cues={words.setup} language={language} />
      <Cues name="Later rounds" cues={[words.short]} language={language} />
      <Cues name="Form reminders" cues={words.form} language={language} />
      <Cues name="Let go" cues={[words.letGo]} language={language} />
      {VARIANTS.map((variant) => {
        const version = words[variant];
        if (!version) return null;
        const name = `${variant === 'easier' ? 'Easier' : 'Harder'}: ${version.what}`;
        return (
          <Cues
            key={variant}
            name={name}
            cues={[
              ...version.setup,
              version.short,
              ...(version.form ?? []),
              ...(version.letGo ? [version.letGo] : []),
            ]}
            language={language}
          />
        );
      })}
    </section>
  );
}

function Cues({ name, cues, language }: { name: string; cues: string[]; language: Language }) {
  return (
    <div className="mt-3">
      <h3 className="quiet font-sans text-sm font-medium">{name}</h3>
      <ul>
        {cues.map((cue) => (
          <li key={cue} className="flex items-start gap-1">
            <HearButton text={cue} language={language} />
            <span className="pt-1">{cue}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}
