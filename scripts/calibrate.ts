import { tmpdir } from 'node:os';
import path from 'node:path';
import { FEATURES, LANGUAGES, type Language } from '@/core/language';
import { USUAL_VOICE, type VoiceId } from '@/core/speech';
import { featuresOf } from '@/core/speech/estimate';
import { espeak } from '@/server/speech/engine';
import { flite } from '@/server/speech/flite';
import { Voice } from '@/server/speech/voice';
import { sampleOf } from './speech-sample';

/**
 * Fits the speech estimate to measured lengths and prints the coefficients: of the usual voice for the `speech` of a
 * language in src/core/language, of the others for `OWN_PACE` in src/core/speech/estimate. Run it when the library or the speech program has changed:
 * node scripts/run-ts.mjs scripts/calibrate.ts
 */
const RATE = 150;

/** Least squares on relative error, by the normal equations. */
function leastSquares(rows: { x: number[]; y: number }[]): number[] {
  const n = rows[0]?.x.length ?? 0;
  const a = Array.from({ length: n }, (_, i) =>
    Array.from({ length: n + 1 }, (_, j) =>
      rows.reduce((sum, { x, y }) => sum + ((x[i] ?? 0) * (j < n ? (x[j] ?? 0) : y)) / y ** 1.6, 0),
    ),
  );
  for (let i = 0; i < n; i++) {
    const pivot = a[i]?.[i] ?? 1;
    for (let j = i; j <= n; j++) (a[i] as number[])[j] = (a[i]?.[j] ?? 0) / pivot;
    for (let k = 0; k < n; k++) {
      if (k === i) continue;
      const factor = a[k]?.[i] ?? 0;
      for (let j = i; j <= n; j++)
        (a[k] as number[])[j] = (a[k]?.[j] ?? 0) - factor * (a[i]?.[j] ?? 0);
    }
  }
  return a.map((row) => row[n] ?? 0);
}

async function calibrate(language: Language, voice: Voice, id: VoiceId): Promise<void> {
  const rows = await Promise.all(
    sampleOf(language).calibration.map(async (text) => ({
      x: featuresOf(text, language),
      y: (await voice.length({ text, language, wordsPerMinute: RATE }, id)) ?? 0,
    })),
  );
  const found = leastSquares(rows).map((c, i) => `${FEATURES[i]}: ${Math.round(c)}`);
  console.log(`${id}, ${language}: { ${found.join(', ')} } from ${rows.length} cues`);
}

const engine = await espeak();
if (!engine) throw new Error('espeak-ng is not installed.');
const more = await flite();
const engines = [engine, ...(more ? [more] : [])] as const;
const voice = new Voice(engines, path.join(tmpdir(), 'upbeat-calibration'));
for (const language of LANGUAGES) await calibrate(language, voice, USUAL_VOICE);
for (const { id, languages } of more?.voices ?? []) {
  for (const language of languages) await calibrate(language, voice, id);
}
