const TICK_MS = 250;

let ticking: ReturnType<typeof setInterval> | undefined;

// A page that is out of sight has its timers slowed down; those of a worker run on.
self.onmessage = ({ data: hidden }: MessageEvent<boolean>) => {
  clearInterval(ticking);
  if (hidden) ticking = setInterval(() => postMessage(null), TICK_MS);
};
