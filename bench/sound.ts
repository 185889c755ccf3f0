import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { togglePieceThroughout } from '@/core/class';
import { AUDIO_FORMATS } from '@/core/take-away';
import { SIGN_IN_COOKIE, signInToDemo } from '@/server/auth/sign-ins';
import { espeak } from '@/server/speech/engine';
import { Voice } from '@/server/speech/voice';
import { App, NOON } from '../e2e/app';

/** A class as sound in numbers: how fast it is made, and what that costs beside saying its cues alone. */

/** As the server says what somebody waits for. */
const AT_ONCE = 2;

const engine = await espeak();
if (!engine) console.log('sound of a class: not measured, espeak-ng is not installed');
else {
  const app = await App.start();
  const folder = mkdtempSync(path.join(tmpdir(), 'up-beat-bench-sound-'));
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
    // Its cues are said once, so that only the making is measured after it.
    const { text } = await ask('words?as=text&counts=yes&language=en');
    const lines = [...new TextDecoder().decode(text).matchAll(/^\d\d:\S+ {2}(.+)$/gm)];
    const texts = [...new Set(lines.map(([, said = '']) => said))];
    const fresh = new Voice(engine, folder);
    const since = performance.now();
    await Promise.all(
      Array.from({ length: AT_ONCE }, async () => {
        for (let said = texts.pop(); said; said = texts.pop()) {
          await fresh.audio({ text: said, language: 'en', wordsPerMinute: 131 }, 'plain', {
            owner: 'bench',
            urgency: 'prepared',
          });
        }
      }),
    );
    const saying = performance.now() - since;
    let totalMs = 0;
    const played = JSON.stringify(togglePieceThroughout(plan, 'tide').music);
    await app
      .db('classes')
      .where({ id })
      .update({ plan: app.db.raw("jsonb_set(plan, '{music}', ?::jsonb)", [played]) });
    // The bed is made once for all classes.
    await ask('audio?as=wav&counts=yes&music=yes&phase=close');
    const formats = [...AUDIO_FORMATS].reverse();
    for (const [as, music] of [...formats.map((f) => [f, 'no']), ['wav', 'yes'], ['mp3', 'yes']]) {
      const { ms, bytes } = await ask(`audio?as=${as}&counts=yes&music=${music}`);
      if (as === 'wav') totalMs = (bytes - 44) / 44.1;
      console.log(
        `a class of ${(totalMs / 60_000).toFixed(0)} min as ${as}${music === 'yes' ? ' with music' : ''}: ${(totalMs / ms).toFixed(0)} times as fast as it is heard (aim 100); making it / saying its cues alone: ${(ms / saying).toFixed(2)}, both / saying them alone: ${((saying + ms) / saying).toFixed(2)} (${(ms / 1000).toFixed(1)} s beside ${(saying / 1000).toFixed(1)} s; aim 1.5)`,
      );
    }
  } finally {
    rmSync(folder, { recursive: true });
    await app.stop();
  }
}
