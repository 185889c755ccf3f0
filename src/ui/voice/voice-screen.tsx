'use client';

import { PHRASES } from '@library/phrases';
import { Mic, RotateCcw, Trash2, Volume2 } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import { ask, toldOf } from '@/browser/api';
import { hearFile } from '@/browser/hear';
import { recordingUrl, type Words } from '@/browser/recordings';
import { CALLS, type Recording } from '@/core/calls';
import { LANGUAGE_NAMES, LANGUAGES, type Language } from '@/core/language';
import { factorOf, type Talk } from '@/core/run';
import type { SpeechChoice } from '@/core/speech';
import { Empty } from '../kit/empty';
import { Page } from '../kit/page';
import { PressForm } from '../kit/press-form';
import { SureButton } from '../kit/sure-button';
import { RecordDialog } from './record-dialog';
import { SaidWords, type SaidWordsProps } from './said-words';
import { SoundsChoice } from './sounds-choice';
import { VoiceChoice, type Voices } from './voice-choice';

export interface VoiceScreenProps extends SaidWordsProps {
  choice: SpeechChoice;
  /** Of the server's machine. */
  voices: Voices;
  talk: Talk;
  recordings: Recording[];
  forgetTalk: () => Promise<void>;
}

/** As far as counts usually go. */
const HIGHEST_COUNT = 30;
/** What is said in any class: counts and the words between moves. */
function commonWords(language: Language): Words[] {
  const p = PHRASES[language];
  const texts = [
    ...Array.from({ length: HIGHEST_COUNT }, (_, i) => p.number(i + 1)),
    p.go,
    p.breatheIn,
    p.breatheOut,
    p.lastBreath,
    p.again,
    p.round(2),
    p.round(3),
    p.lastRound,
    ...Object.values(p.firstSide),
    ...Object.values(p.otherSide),
    ...Object.values(p.oneSide),
    ...Object.values(p.release),
    p.questions,
  ];
  return texts.map((text) => ({ text, language }));
}

/** How the teacher is heard: their recordings, the machine's voice, and how much they talk. */
export function VoiceScreen(props: VoiceScreenProps) {
  const { choice, talk, recordings, words, forgetTalk, voices } = props;
  const router = useRouter();
  const [chosen, setChosen] = useState(choice);
  const talkNow = { ...talk, self: chosen.speaksSelf };
  const led = talk.samples.length;
  const [recording, setRecording] = useState<Language | null>(null);
  const close = () => {
    setRecording(null);
    router.refresh();
  };
  const remove = async (id: string) => {
    try {
      await ask(CALLS.removeRecording, { id });
      router.refresh();
    } catch (problem) {
      toast.error(toldOf(problem));
    }
  };
  return (
    <Page title="Your voice">
      <section aria-labelledby="machine">
        <h2 id="machine" className="text-xl font-semibold">
          Who speaks your cues
        </h2>
        <div className="mt-2 flex flex-wrap items-start gap-x-6 gap-y-3">
          <VoiceChoice
            choice={chosen}
            onChange={setChosen}
            languages={LANGUAGES}
            aloud={words}
            voices={voices}
          />
        </div>
      </section>

      <section aria-labelledby="besides" className="mt-8">
        <h2 id="besides" className="text-xl font-semibold">
          Besides the words
        </h2>
        <div className="mt-2 flex flex-wrap items-start gap-x-6 gap-y-3">
          <SoundsChoice choice={chosen} onChange={setChosen} />
        </div>
      </section>

      <section aria-labelledby="said" className="mt-8">
        <h2 id="said" className="text-xl font-semibold">
          Words said your way
        </h2>
        <SaidWords words={words} />
      </section>

      <section aria-labelledby="talk" className="mt-8">
        <h2 id="talk" className="text-xl font-semibold">
          How much you talk
        </h2>
        <p className="mt-1 max-w-prose">
          {led === 0
            ? 'Upbeats and switches are planned to last as long as their cues. Up Beat learns how long you really take from the classes you lead.'
            : `So many times as long as their cues are upbeats and switches planned to last, learned from ${
                led === 1 ? 'one class' : `${led} classes`
              } you led. Pauses in an upbeat and explaining again make it grow.`}
        </p>
        <dl className="mt-2 flex flex-wrap gap-x-8 gap-y-2">
          {(['all', 'short'] as const).map((say) => (
            <div key={say}>
              <dt className="quiet text-sm">
                {say === 'all' ? 'Where all is said' : 'Where less is said'}
              </dt>
              <dd className="figures text-2xl font-bold">× {factorOf(talkNow, say).toFixed(2)}</dd>
            </div>
          ))}
        </dl>
        <p className="quiet mt-2 max-w-prose text-sm">
          {chosen.speaksSelf
            ? 'You say the words yourself. Where a class says less than all, it may fall below 1 as you do. Where it says all, choose to say less first: a check of the class tells you when.'
            : 'It is never below 1 while the voice says the words, since it says them in full.'}
        </p>
        {led > 0 && (
          <PressForm act={forgetTalk}>
            <SureButton
              className="btn btn-outline btn-sm mt-2"
              title="Forget how much you talk?"
              says="What was learned from the classes that you led is gone, and is learned anew from the next ones."
              yes="Forget it"
            >
              <RotateCcw size={16} aria-hidden /> Forget it and learn anew
            </SureButton>
          </PressForm>
        )}
      </section>

      <section aria-labelledby="recordings" className="mt-8">
        <div className="flex flex-wrap items-end justify-between gap-3">
          <h2 id="recordings" className="text-xl font-semibold">
            Recorded by you
          </h2>
          <div className="flex flex-wrap gap-2">
            {LANGUAGES.map((language) => (
              <button
                key={language}
                type="button"
                className="btn btn-outline"
                onClick={() => setRecording(language)}
              >
                <Mic size={18} aria-hidden /> Counts in {LANGUAGE_NAMES[language]}
              </button>
            ))}
          </div>
        </div>
        {recordings.length === 0 ? (
          <div className="mt-3">
            <Empty title="Nothing recorded yet">
              Record counts here, the cues of a move on its page, or a whole class from “More” in
              Compose. What you record is said in your voice from then on.
            </Empty>
          </div>
        ) : (
          <ul className="divide-base-300 mt-2 divide-y">
            {recordings.map((r) => (
              <li key={r.id} className="flex items-center gap-3 py-1.5">
                <span lang={r.language} className="min-w-0 flex-1">
                  {r.text}
                </span>
                <span className="quiet text-sm">{LANGUAGE_NAMES[r.language]}</span>
                <span className="figures quiet w-14 text-right text-sm">
                  {(r.ms / 1000).toFixed(1)} s
                </span>
                <button
                  type="button"
                  className="btn btn-ghost btn-sm btn-square"
                  aria-label={`Hear: ${r.text}`}
                  onClick={() =>
                    hearFile(recordingUrl(r.id)).catch(() =>
                      toast.error('The browser does not play sound here.'),
                    )
                  }
                >
                  <Volume2 size={16} aria-hidden />
                </button>
                <SureButton
                  className="btn btn-ghost btn-sm btn-square"
                  label={`Remove: ${r.text}`}
                  title="Remove this recording for good?"
                  says={`“${r.text}” is said by the voice again until you record it anew.`}
                  yes="Remove it for good"
                  onSure={() => remove(r.id)}
                >
                  <Trash2 size={16} aria-hidden />
                </SureButton>
              </li>
            ))}
          </ul>
        )}
      </section>
      {recording && (
        <RecordDialog
          title={`Counts and small words, ${LANGUAGE_NAMES[recording]}`}
          cues={commonWords(recording)}
          onClose={close}
        />
      )}
    </Page>
  );
}
