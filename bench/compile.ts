import { tmpdir } from 'node:os';
import path from 'node:path';
import { performance } from 'node:perf_hooks';
import { LIBRARY_BOOK } from '@library';
import { updateSegment } from '@/core/class';
import { LANGUAGE_NAMES, type Language } from '@/core/language';
import { compile } from '@/core/score';
import { estimateIn, estimateSpeech, rememberingMeter, type VoiceOffer } from '@/core/speech';
import { espeak } from '@/server/speech/engine';
import { flite } from '@/server/speech/flite';
import { Voice } from '@/server/speech/voice';
import { sampleOf } from '../scripts/speech-sample';
import { hourLong, quantile } from './hour-long';

/** Median time of several jobs in ms, taken in turn so that the machine's moods hit all alike. */
function medians(runs: number, jobs: (() => void)[]): number[] {
  const times = jobs.map((): number[] => []);
  for (let run = 0; run < runs; run++) {
    jobs.forEach((job, i) => {
      const begun = performance.now();
      job();
      times[i]?.push(performance.now() - begun);
    });
  }
  return times.map((t) =>
    quantile(
      t.sort((x, y) => x - y),
      0.5,
    ),
  );
}

function compiling(): void {
  const plan = hourLong();
  const score = compile(plan, LIBRARY_BOOK);
  console.log(
    `A class of ${Math.round(score.totalMs / 60_000)} min: ${score.steps.length} steps, ${score.cues.length} cues`,
  );
  for (let i = 0; i < 50; i++) compile(plan, LIBRARY_BOOK);
  const remembering = rememberingMeter(estimateSpeech);
  let n = 0;
  const edit = () => {
    n++;
    return updateSegment(plan, 's5', (s) => ({ ...s, releaseSeconds: 5 + (n % 5) }));
  };
  const [copy = 1, whole = 1, edited = 1] = medians(300, [
    () => JSON.parse(JSON.stringify(score)),
    () => compile(plan, LIBRARY_BOOK),
    () => compile(edit(), LIBRARY_BOOK, { meter: remembering }),
  ]);
  console.log(
    `compile / copy of the score as JSON: ${(whole / copy).toFixed(2)} (${whole.toFixed(2)} ms)`,
  );
  console.log(
    `recompile after an edit, as Compose does / compile: ${(edited / whole).toFixed(2)} (${edited.toFixed(2)} ms)`,
  );

  const collect = globalThis.gc ?? (() => {});
  const heap = () => {
    collect();
    return process.memoryUsage().heapUsed;
  };
  const before = heap();
  for (let i = 0; i < 1000; i++) compile(plan, LIBRARY_BOOK);
  console.log(`heap after 1000 compiles / before: ${(heap() / before).toFixed(3)}`);
}

/** How far the estimate of a voice is off on cues it was not fitted to. */
async function estimating(
  language: Language,
  voice: Voice,
  { id, name }: VoiceOffer,
): Promise<void> {
  const estimate = estimateIn({ [language]: id });
  const errors = await Promise.all(
    sampleOf(language).heldOut.map(async (text) => {
      const measured = (await voice.length({ text, language, wordsPerMinute: 150 }, id)) ?? 0;
      return Math.abs(estimate(text, language, 150) / measured - 1);
    }),
  );
  errors.sort((a, b) => a - b);
  const percent = (q: number) => `${(100 * quantile(errors, q)).toFixed(1)} %`;
  console.log(
    `speech estimate, ${LANGUAGE_NAMES[language]}, ${name}, ${errors.length} cues held out: median error ${percent(0.5)}, 95th percentile ${percent(0.95)} (aim 8 and 22 %)`,
  );
}

compiling();
const engine = await espeak();
if (engine) {
  const more = await flite();
  const engines = [engine, ...(more ? [more] : [])] as const;
  const voice = new Voice(engines, path.join(tmpdir(), 'upbeat-bench-speech'));
  for (const offer of voice.offers) {
    for (const language of offer.languages) await estimating(language, voice, offer);
  }
} else console.log('speech estimate: not measured, espeak-ng is not installed');
