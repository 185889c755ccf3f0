import type { FollowWords } from '@/core/follow/words';
import { Bar, type BarProps } from './bar';

export interface WaitingProps extends Omit<BarProps, 'words'> {
  className: string;
  words: FollowWords;
  connected: boolean;
  /** What to have ready; null where it is nothing. */
  ready: string | null;
}

/** Before the class begins: time to choose how one follows. */
export function Waiting({ className, words, connected, ready, ...bar }: WaitingProps) {
  return (
    <div className="mx-auto flex min-h-dvh max-w-2xl flex-col p-4">
      <div className="grid flex-1 content-center gap-3 text-center">
        <p className="font-display text-4xl font-bold text-balance wrap-anywhere">{className}</p>
        <p className="text-xl" role="status">
          {connected ? words.begins : words.offline}
        </p>
        {ready && <p className="text-lg">{ready}</p>}
        <p className="quiet">{words.settle}</p>
      </div>
      <Bar {...bar} words={words} />
    </div>
  );
}
