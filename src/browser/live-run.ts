import { addressOf, CALLS, type LogAnswer } from '@/core/calls';

const RETRY_MS = 1500;

export interface LiveRun {
  /** The number of the newest event known, asked at every opening. */
  after: () => number;
  /** For a screen that everybody sees. */
  screen?: boolean;
  heard: (log: LogAnswer) => void;
  opened?: () => void;
  lost?: () => void;
}

/**
 * Listens to what is new in a run. A browser asks again by itself when the line breaks, but not when
 * the server answers that it cannot serve just now; then it is opened anew. Returns how to stop.
 */
export function listenToRun(
  runId: string,
  { after, screen, heard, opened, lost }: LiveRun,
): () => void {
  let source: EventSource | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const open = () => {
    const live = new EventSource(
      addressOf(CALLS.followLog, runId, { after: after(), ...(screen && { screen: '1' }) }),
    );
    source = live;
    live.onmessage = ({ data }) => heard(CALLS.followLog.answers.parse(JSON.parse(data)));
    live.onopen = () => opened?.();
    live.onerror = () => {
      lost?.();
      if (live.readyState === EventSource.CLOSED) timer = setTimeout(open, RETRY_MS);
    };
  };
  open();
  return () => {
    clearTimeout(timer);
    source?.close();
  };
}
