import type { FollowNews } from '@/core/follow';

/** Where those who follow ask; `serveFollowers` and the handlers answer there. */
export const FOLLOW_PATHS = {
  time: '/api/follow/time',
  score: '/api/follow/score',
  live: '/api/follow/live',
  speech: '/api/follow/speech',
  questions: '/api/follow/questions',
} as const;

/** After how long a line that broke is tried again: longer each time, and by chance, so that not all come at once. */
const FIRST_MS = 500;
const LONGEST_MS = 15_000;
/** A line on which nothing is heard for so long is dead; there is a beat every 15 s. */
const SILENT_MS = 40_000;

export const waitAfter = (tries: number, chance: number): number =>
  Math.round(Math.min(LONGEST_MS, FIRST_MS * 2 ** tries) * (0.5 + chance));

export interface LineOf {
  /** The newest event that is known. */
  after: () => number;
  heard: (news: FollowNews) => void;
  open: () => void;
  lost: () => void;
  /** This device follows no more: it was turned away, or the class is long over. */
  gone: () => void;
}

/** The line on which a device hears what happens in the class. It comes back by itself. @returns how to stop */
export function followLine({ after, heard, open, lost, gone }: LineOf): () => void {
  let source: EventSource | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let tries = 0;
  let stopped = false;
  const stop = () => {
    stopped = true;
    clearTimeout(timer);
    source?.close();
    window.removeEventListener('online', soon);
    window.removeEventListener('offline', again);
    document.removeEventListener('visibilitychange', turned);
  };
  const again = () => {
    if (stopped) return;
    source?.close();
    source = null;
    lost();
    clearTimeout(timer);
    timer = setTimeout(begin, waitAfter(tries++, Math.random()));
  };
  const alive = () => {
    clearTimeout(timer);
    timer = setTimeout(again, SILENT_MS);
  };
  const begin = () => {
    const line = new EventSource(`${FOLLOW_PATHS.live}?after=${after()}`);
    source = line;
    line.onopen = () => {
      tries = 0;
      alive();
      open();
    };
    line.onmessage = ({ data }) => {
      alive();
      heard(JSON.parse(data) as FollowNews);
    };
    line.addEventListener('beat', alive);
    line.addEventListener('gone', () => {
      stop();
      gone();
    });
    line.onerror = () => void broken(line);
  };
  const broken = async (line: EventSource) => {
    const away = await refused();
    // Asking takes time: meanwhile a newer line may have been opened, and is not to be closed for this one.
    if (stopped || source !== line) return;
    if (!away) return again();
    stop();
    gone();
  };
  /** Back at once when there is a connection again, or somebody looks: a line from before may be dead. */
  const soon = () => {
    if (stopped) return;
    source?.close();
    clearTimeout(timer);
    tries = 0;
    begin();
  };
  const turned = () => {
    if (!document.hidden && !source) soon();
  };
  window.addEventListener('online', soon);
  // The device knows that it has no connection before the line does.
  window.addEventListener('offline', again);
  document.addEventListener('visibilitychange', turned);
  begin();
  return stop;
}

/** Whether the server says that this device does not follow; an event source does not tell why it broke. */
async function refused(): Promise<boolean> {
  try {
    const { status } = await fetch(FOLLOW_PATHS.score, { cache: 'no-cache' });
    return status === 401 || status === 403;
  } catch {
    return false;
  }
}
