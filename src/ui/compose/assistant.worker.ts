import { PHRASES } from '@library/phrases';
import type { Answer, Question } from '@/browser/assistant';
import { workerSolver } from '@/browser/solver/in-worker';
import { raises } from '@/core/checks';
import type { Plan } from '@/core/class';
import { draft } from '@/core/draft';
import { fitToSlot } from '@/core/fit';
import { type Book, compile } from '@/core/score';
import { estimateSpeech, measuredMeter, rememberingMeter } from '@/core/speech';

const say = (answer: Answer) => postMessage(answer);

async function answer(question: Question): Promise<Answer> {
  say({ kind: 'progress', share: 0.1, words: 'Getting the solver ready' });
  const solver = await workerSolver();
  const byId = new Map(question.moves.map((m) => [m.id, m]));
  const book: Book = { move: (id) => byId.get(id), phrases: (language) => PHRASES[language] };
  const { lengths, met, talkingFactor } = question.speech;
  const options = {
    meter: rememberingMeter(measuredMeter(lengths, estimateSpeech).meter),
    room: met.map((ids) => new Set(ids)),
    talkingFactor,
  };
  if (question.kind === 'fit') {
    say({ kind: 'progress', share: 0.4, words: 'Looking for the smallest change' });
    const { plan, people, sessionsAWeek, moves: shelf } = question;
    const compiled = (p: Plan) => compile(p, book, options);
    const checked = { book, shelf, people, sessionsAWeek, compile: compiled };
    const now = { ...checked, plan, score: compiled(plan) };
    return fitToSlot(plan, book, solver, {
      ...options,
      refused: new Set(question.refused),
      unsafe: (changed) => raises(now, changed, ['slot-overrun']).flatMap((f) => f.segments),
    });
  }
  say({ kind: 'progress', share: 0.4, words: 'Choosing moves, order and amounts' });
  return draft(question.wish, { shelf: question.moves, book, ...options }, solver);
}

self.addEventListener('message', async ({ data }: MessageEvent<Question>) => {
  try {
    say(await answer(data));
  } catch (error) {
    say({ kind: 'failed', message: error instanceof Error ? error.message : String(error) });
  }
});
