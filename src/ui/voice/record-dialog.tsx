'use client';

import clsx from 'clsx';
import { Check, Circle, Mic, Square, Trash2, Volume2 } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { ask, toldOf } from '@/browser/api';
import { fallSilent, hearFile } from '@/browser/hear';
import { Microphone, type MicrophoneProblem, NoMicrophone } from '@/browser/microphone';
import { keepRecording, recordingUrl, type Words, wordsKey } from '@/browser/recordings';
import { CALLS, type Recording } from '@/core/calls';
import { LANGUAGE_NAMES, type Language } from '@/core/language';
import type { Move } from '@/core/move';
import { LONGEST_SECONDS, type Take, type TakeProblem, wavOf } from '@/core/speech';
import { Dialog, type Unsent } from '../kit/dialog';
import { Miniature } from '../kit/face-dial';
import { Level } from './level';

export interface RecordDialogProps {
  title: string;
  /** The move whose cues they are, where it is one. */
  move?: Move;
  /** What can be recorded; the same words are listed once. */
  cues: readonly Words[];
  /** Some words are said by another voice from now on. */
  onRecorded?: (text: string, language: Language) => void;
  onClose: () => void;
}

const NO_MICROPHONE: Record<MicrophoneProblem, string> = {
  refused:
    'The browser does not let this page use the microphone. Allow it beside the address of the page, then try again.',
  none: 'This device has no microphone that the browser can see. Plug one in, then try again.',
  busy: 'Another program holds the microphone. Close it, then try again.',
  unsupported: 'This browser cannot record. Try another one, or another device.',
};
const USELESS: Record<TakeProblem, string> = {
  silent: 'Nothing was heard. Look at the level below while you speak, and come nearer.',
  'too long': `A cue may last ${LONGEST_SECONDS} seconds at most. Say it again, shorter.`,
};

type Phase =
  | { name: 'ready' }
  | { name: 'opening' }
  | { name: 'recording' }
  | { name: 'cutting' }
  | { name: 'heard'; take: Take }
  | { name: 'keeping'; take: Take };

const UNKEPT: Unsent = {
  says: 'What you recorded and did not keep is lost when this is closed.',
  goOn: 'Go on recording',
  lose: 'Close and lose it',
};

const seconds = (ms: number) => `${(ms / 1000).toFixed(1)} s`;
const inTheWay = (problem: unknown): string =>
  problem instanceof NoMicrophone ? NO_MICROPHONE[problem.problem] : toldOf(problem);

/** The same words once, in the order given. */
function once(cues: readonly Words[]): Words[] {
  const found = new Map<string, Words>();
  for (const { text, language } of cues) {
    const key = wordsKey({ text, language });
    if (!found.has(key)) found.set(key, { text, language });
  }
  return [...found.values()];
}

/** Records cues one after another in the teacher's own voice. One button leads through it. */
export function RecordDialog({ title, move, cues, onRecorded, onClose }: RecordDialogProps) {
  // What was asked for when it was opened; keeping a take may change the class behind it.
  const [words] = useState(() => once(cues));
  const [kept, setKept] = useState<ReadonlyMap<string, Recording> | null>(null);
  const [index, setIndex] = useState(0);
  const [phase, setPhase] = useState<Phase>({ name: 'ready' });
  /** Takes that were heard and not kept yet, by their words. */
  const [unkept, setUnkept] = useState<ReadonlyMap<string, Take>>(new Map());
  const [error, setError] = useState<string | null>(null);
  const microphone = useRef<Microphone | null>(null);
  const closed = useRef(false);
  const current = words[index];
  const recording = current && kept?.get(wordsKey(current));

  useEffect(() => {
    let gone = false;
    ask(CALLS.listRecordings).then(
      ({ recordings }) => {
        if (gone) return;
        const known = new Map(recordings.map((r) => [wordsKey(r), r]));
        setKept(known);
        setIndex(
          Math.max(
            0,
            words.findIndex((w) => !known.has(wordsKey(w))),
          ),
        );
      },
      (problem: unknown) => !gone && setError(inTheWay(problem)),
    );
    return () => {
      gone = true;
    };
  }, [words]);
  useEffect(() => {
    closed.current = false;
    return () => {
      closed.current = true;
      microphone.current?.close();
      fallSilent();
    };
  }, []);

  const play = async (file: string | Blob) => {
    try {
      await hearFile(file);
    } catch {
      // It says so in its own place; the take is there all the same.
      setError('The browser does not play sound here.');
    }
  };
  const hearTake = (take: Take) => play(new Blob([wavOf(take)], { type: 'audio/wav' }));
  const backToTake = () => {
    const take = current && unkept.get(wordsKey(current));
    setPhase(take ? { name: 'heard', take } : { name: 'ready' });
  };
  const record = async () => {
    setError(null);
    fallSilent();
    setPhase({ name: 'opening' });
    try {
      let opened = microphone.current;
      if (!opened?.isOpen) {
        opened?.close();
        microphone.current = null;
        opened = await Microphone.open();
        // Whoever went away while the browser asked whether it may be used is not listened to.
        if (closed.current) return opened.close();
        microphone.current = opened;
      }
      opened.start();
      setPhase({ name: 'recording' });
    } catch (problem) {
      backToTake();
      setError(inTheWay(problem));
    }
  };
  const stop = async () => {
    setPhase({ name: 'cutting' });
    let take: Take | TakeProblem;
    try {
      take = (await microphone.current?.stop()) ?? 'silent';
    } catch (problem) {
      backToTake();
      setError(inTheWay(problem));
      return;
    }
    if (typeof take === 'string') {
      setError(USELESS[take]);
      backToTake();
      return;
    }
    setPhase({ name: 'heard', take });
    if (current) setUnkept(new Map(unkept).set(wordsKey(current), take));
    hearTake(take);
  };
  const choose = (next: number, among = unkept) => {
    const chosen = words[next];
    const take = chosen && among.get(wordsKey(chosen));
    setIndex(next);
    setPhase(take ? { name: 'heard', take } : { name: 'ready' });
    setError(null);
  };
  const keep = async (take: Take) => {
    if (!current) return;
    setPhase({ name: 'keeping', take });
    setError(null);
    try {
      const stored = await keepRecording(current, take);
      const known = new Map(kept).set(wordsKey(current), stored);
      setKept(known);
      const left = new Map(unkept);
      left.delete(wordsKey(current));
      setUnkept(left);
      onRecorded?.(current.text, current.language);
      const after = words.findIndex((w, i) => i > index && !known.has(wordsKey(w)));
      choose(after < 0 ? index : after, left);
    } catch (problem) {
      setPhase({ name: 'heard', take });
      setError(inTheWay(problem));
    }
  };
  const remove = async (of: Recording) => {
    try {
      await ask(CALLS.removeRecording, { id: of.id });
      const known = new Map(kept);
      known.delete(wordsKey(of));
      setKept(known);
      onRecorded?.(of.text, of.language);
    } catch (problem) {
      setError(inTheWay(problem));
    }
  };

  const list = useRef<HTMLUListElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the cue in hand is to be seen whenever it changes
  useEffect(() => {
    list.current?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest' });
  }, [index, kept]);

  const done = words.filter((w) => kept?.has(wordsKey(w))).length;
  const busy = phase.name === 'opening' || phase.name === 'cutting' || phase.name === 'keeping';
  const step = () => {
    if (busy || kept === null) return;
    if (phase.name === 'recording') void stop();
    else if (phase.name === 'heard') void keep(phase.take);
    else void record();
  };
  return (
    <Dialog
      title={title}
      onClose={onClose}
      unsent={UNKEPT}
      unkept={unkept.size > 0 || phase.name === 'recording'}
      wide
    >
      <div className="grid gap-5 md:grid-cols-[minmax(0,1fr)_19rem]">
        <div>
          <p className="quiet text-sm">
            {current
              ? `Say it as you would to the class (${LANGUAGE_NAMES[current.language]}):`
              : ''}
          </p>
          <div className="mt-1 flex min-h-24 items-start gap-4">
            <p lang={current?.language} className="font-display flex-1 text-2xl font-semibold">
              {current?.text}
            </p>
            {move && <Miniature move={move} size={110} />}
          </div>
          <Level microphone={microphone} on={phase.name === 'recording'} />
          <div className="mt-4 flex flex-wrap gap-2">
            <button
              type="button"
              className="btn btn-primary btn-lg min-w-56"
              // Disabled, it would lose the focus, and with it the next press of the key.
              aria-disabled={busy || kept === null}
              onClick={step}
            >
              {phase.name === 'recording' ? (
                <>
                  <Square size={20} aria-hidden /> Stop
                </>
              ) : phase.name === 'heard' || phase.name === 'keeping' ? (
                <>
                  <Check size={20} aria-hidden /> Keep it, go on
                </>
              ) : (
                <>
                  <Mic size={20} aria-hidden /> {recording ? 'Record anew' : 'Record'}
                </>
              )}
            </button>
            {phase.name === 'heard' && (
              <>
                <button type="button" className="btn btn-lg" onClick={() => hearTake(phase.take)}>
                  <Volume2 size={18} aria-hidden /> Hear it
                </button>
                <button type="button" className="btn btn-lg" onClick={record}>
                  <Mic size={18} aria-hidden /> Once more
                </button>
              </>
            )}
            {phase.name === 'ready' && recording && (
              <>
                <button
                  type="button"
                  className="btn btn-lg"
                  onClick={() => play(recordingUrl(recording.id))}
                >
                  <Volume2 size={18} aria-hidden /> Hear it
                </button>
                <button type="button" className="btn btn-lg" onClick={() => remove(recording)}>
                  <Trash2 size={18} aria-hidden /> Remove it
                </button>
              </>
            )}
          </div>
          <p role="status" className="mt-3 min-h-6">
            {phase.name === 'recording' && 'Recording. Press again when you have said it.'}
            {phase.name === 'heard' &&
              `${seconds((1000 * phase.take.samples.length) / phase.take.rate)}, cut and levelled.${
                phase.take.clipped ? ' It was too loud in places; move back a little.' : ''
              }`}
            {phase.name === 'ready' && recording && `Recorded, ${seconds(recording.ms)}.`}
          </p>
          {error && (
            <p role="alert" className="border-error border-l-4 pl-3">
              {error}
            </p>
          )}
          <p className="quiet mt-3 text-sm">
            A recording stands in for the machine’s voice wherever exactly these words are said. If
            you change the words, the machine says them until you record them again.
          </p>
        </div>
        <div>
          <p className="font-medium">
            {done} of {words.length} recorded
          </p>
          <ul
            ref={list}
            className="border-base-300 rounded-box mt-1 max-h-80 overflow-y-auto border"
            aria-label="Cues to record"
          >
            {words.map((w, i) => {
              const is = kept?.has(wordsKey(w));
              return (
                <li key={wordsKey(w)}>
                  <button
                    type="button"
                    aria-current={i === index ? 'true' : undefined}
                    disabled={busy || phase.name === 'recording'}
                    onClick={() => choose(i)}
                    className={clsx(
                      'flex w-full items-start gap-2 px-3 py-1.5 text-left text-sm',
                      i === index ? 'bg-base-200 font-medium' : 'hover:bg-base-200',
                    )}
                  >
                    {is ? (
                      <Check size={16} className="mt-0.5 shrink-0" aria-hidden />
                    ) : (
                      <Circle size={16} className="quiet mt-0.5 shrink-0" aria-hidden />
                    )}
                    <span lang={w.language}>{w.text}</span>
                    <span className="sr-only">{is ? ', recorded' : ', not recorded'}</span>
                    {unkept.has(wordsKey(w)) && <span className="quiet ml-auto">not kept yet</span>}
                  </button>
                </li>
              );
            })}
          </ul>
        </div>
      </div>
    </Dialog>
  );
}
