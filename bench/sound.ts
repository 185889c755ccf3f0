import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { togglePieceThroughout } from '@/core/class';
import { AUDIO_FORMATS } from '@/core/take-away';
import { SIGN_IN_COOKIE, signInToDemo } from '@/server/auth/sign-ins';
import { espeak, type SpeechEngine } from '@/server/speech/engine';
import { Voice } from '@/server/speech/voice';
import { App, NOON } from '../e2e/app';

/**
 * A class as sound in numbers: how long it takes from nothing, with all its cues said, mixed and packed, beside saying
 * its cues alone. One is tried after the other, since the pace of a machine changes.
 */

/** As the server says what somebody waits for. */
const AT_ONCE = 2;
const TRIES = 3;
/** Where the server keeps what it has said. */
const SPEECH = path.join(process.env.UPBEAT_DATA_DIR ?? '.data/test', 'speech');

async function middleOf(tries: () => Promise<number>): Promise<number> {
  const took: number[] = [];
  while (took.length < TRIES) took.push(await tries());
  return took.sort((a, b) => a - b)[Math.floor(TRIES / 2)] ?? 0;
}

/** How long it takes to say some cues, in ms. */
async function sayingAlone(engine: SpeechEngine, texts: readonly string[]): Promise<number> {
  const folder = mkdtempSync(path.join(tmpdir(), 'up-beat-bench-sound-'));
  try {
    const fresh = new Voice(engine, folder);
    const left = [...texts];
    const since = performance.now();
    await Promise.all(
      Array.from({ length: AT_ONCE }, async () => {
        for (let text = left.pop(); text !== undefined; text = left.pop()) {
          await fresh.audio({ text, language: 'en', wordsPerMinute: 131 }, 'plain', {
            owner: 'bench',
            urgency: 'prepared',
          });
        }
      }),
    );
    return performance.now() - since;
  } finally {
    rmSync(folder, { recursive: true });
  }
}

const engine = await espeak();
if (!engine) console.log('sound of a class: not measured, espeak-ng is not installed');
else {
  const app = await App.start();
  try {
    const headers = { cookie: `${SIGN_IN_COOKIE}=${await signInToDemo(app.db, NOON)}` };
    const { id, plan } = await app
      .db('classes')
      .whereRaw("plan->>'name' ilike '%jaw%'")
      .first('id', 'plan');
    const ask = async (what: string) => {
      const since = performance.now();
      const response = await fetch(`${app.url}/api/classes/${id}/${what}`, { headers });
      const bytes = await response.arrayBuffer();
      if (!response.ok) throw new Error(`${what} answered ${response.status}`);
      return { ms: performance.now() - since, bytes: bytes.byteLength, text: bytes };
    };
    // How long each cue is was measured when somebody looked at the class first.
    const { text } = await ask('words?as=text&counts=yes&language=en');
    const lines = [...new TextDecoder().decode(text).matchAll(/^\d\d:\S+ {2}(.+)$/gm)];
    const texts = [...new Set(lines.map(([, said = '']) => said))];
    const played = JSON.stringify(togglePieceThroughout(plan, 'tide').music);
    await app
      .db('classes')
      .where({ id })
      .update({ plan: app.db.raw("jsonb_set(plan, '{music}', ?::jsonb)", [played]) });
    // The bed is made once for all classes.
    await ask('audio?as=wav&counts=yes&music=yes&phase=close');
    let totalMs = 0;
    const formats = [...AUDIO_FORMATS].reverse();
    for (const [as, music] of [...formats.map((f) => [f, 'no']), ['wav', 'yes'], ['mp3', 'yes']]) {
      const what = `audio?as=${as}&counts=yes&music=${music}`;
      const saying = await middleOf(() => sayingAlone(engine, texts));
      const whole = await middleOf(async () => {
        rmSync(SPEECH, { recursive: true });
        return (await ask(what)).ms;
      });
      const kept = await middleOf(async () => {
        const { ms, bytes } = await ask(what);
        if (as === 'wav') totalMs = (bytes - 44) / 44.1;
        return ms;
      });
      console.log(
        `a class of ${(totalMs / 60_000).toFixed(0)} min as ${as}${music === 'yes' ? ' with music' : ''}: ${(totalMs / whole).toFixed(0)} times as fast as it is heard (aim 100); cues said, mixed and packed / its cues said alone: ${(whole / saying).toFixed(2)} (${(whole / 1000).toFixed(1)} s beside ${(saying / 1000).toFixed(1)} s; aim 1.5); from cues that are kept: ${(kept / saying).toFixed(2)}`,
      );
    }
  } finally {
    await app.stop();
  }
}
