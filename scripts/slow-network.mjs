import { parseArgs } from 'node:util';
import { main, say, Trouble } from './lib/say.mjs';
import { slowNetwork } from './lib/slow-network.mjs';

/** Stands before Up Beat as a bad network does, to see how a class is followed over one. */
await main(async () => {
  const { values } = parseArgs({
    options: {
      port: { type: 'string', default: '3001' },
      to: { type: 'string', default: '3000' },
      delay: { type: 'string', default: '120' },
      jitter: { type: 'string', default: '80' },
      loss: { type: 'string', default: '0.02' },
    },
  });
  const numbers = Object.entries(values).map(([name, text]) => [name, Number(text)]);
  for (const [name, number] of numbers) {
    if (!(number >= 0)) throw new Trouble(`--${name} must be a number, 0 or more.`);
  }
  const { port, to, delay: delayMs, jitter: jitterMs, loss } = Object.fromEntries(numbers);
  await slowNetwork({ port, to, delayMs, jitterMs, loss });
  say(`Port ${to} is reached over a bad network at http://127.0.0.1:${port}. Ctrl-C stops it.`);
  await new Promise(() => {});
});
