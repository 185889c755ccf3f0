import type { BookedPerson } from '@/core/checks';
import type { Plan } from '@/core/class';
import type { Drafted, DraftWish, NoDraft } from '@/core/draft';
import type { Fitted } from '@/core/fit';
import type { Move } from '@/core/move';

/** What Compose asks its worker, and what comes back. Everything can be copied between threads. */

export interface KnownSpeech {
  /** Measured lengths in ms by utterance key. */
  lengths: ReadonlyMap<string, number>;
  /** What each person booked has met, for classes that explain what is new to somebody. */
  met: readonly (readonly string[])[];
  talkingFactor: number;
}

export type Question =
  | {
      kind: 'fit';
      plan: Plan;
      moves: readonly Move[];
      speech: KnownSpeech;
      refused: readonly string[];
      /** Who is booked, and how often a week: nothing is done that would not be safe for them. */
      people: readonly BookedPerson[];
      sessionsAWeek: number;
    }
  | {
      kind: 'draft';
      wish: Omit<DraftWish, 'people'> & { people: readonly BookedPerson[] };
      moves: readonly Move[];
      speech: KnownSpeech;
    };

export type Answer =
  | { kind: 'progress'; share: number; words: string }
  | Fitted
  | Drafted
  | NoDraft
  | { kind: 'failed'; message: string };

/** An answer after which nothing more comes. */
export type Outcome = Exclude<Answer, { kind: 'progress' }>;

/** What is told while the answer is being worked out. */
export type OnProgress = (share: number, words: string) => void;

/**
 * A worker that thinks for the page, so that the page stays quick. A new question ends the one before.
 */
export class Assistant {
  private worker: Worker | null = null;
  private busy = false;

  constructor(private readonly start: () => Worker) {}

  /** Gets the solver ready before it is asked. */
  warm(): void {
    this.worker ??= this.start();
  }

  /** The outcome of a question; it never comes where the question is cancelled. */
  ask(question: Question, onProgress: OnProgress = () => {}): Promise<Outcome> {
    if (this.busy) this.cancel();
    this.worker ??= this.start();
    const { worker } = this;
    this.busy = true;
    return new Promise<Outcome>((resolve) => {
      const settle = (outcome: Outcome) => {
        this.busy = false;
        resolve(outcome);
      };
      worker.onmessage = ({ data }: MessageEvent<Answer>) => {
        if (data.kind === 'progress') onProgress(data.share, data.words);
        else settle(data);
      };
      worker.onerror = (event) => {
        this.close();
        settle({ kind: 'failed', message: event.message || 'The helper could not be started.' });
      };
      worker.postMessage(question);
    });
  }

  /** Ends what is being computed at once, whatever it is. */
  cancel(): void {
    if (!this.busy) return;
    this.close();
    this.worker = this.start();
  }

  close(): void {
    this.worker?.terminate();
    this.worker = null;
    this.busy = false;
  }
}
