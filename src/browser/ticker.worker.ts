const TICK_MS = 250;

// A page that is out of sight has its timers slowed down; those of a worker run on.
setInterval(() => postMessage(null), TICK_MS);
