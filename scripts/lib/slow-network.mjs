import net from 'node:net';

/**
 * A bad network for trying things out: everything takes a while, sometimes longer, and now and then something is lost
 * and has to be sent again. What is sent stays in its order, as TCP keeps it.
 */

/** After how long something that was lost is sent again, in ms; TCP waits at least so long (RFC 6298 says 1 s, systems take 0.2 s). */
const AGAIN_MS = 200;

/**
 * @typedef {object} Badness
 * @property {number} delayMs how long each way takes at least
 * @property {number} jitterMs how much longer it may take
 * @property {number} loss how often something is lost, 0 to 1
 */

/**
 * When pieces arrive that are sent at some times: none before the one before it.
 * @param {Badness} badness
 * @param {() => number} chance from 0 to 1
 */
export function arrivals({ delayMs, jitterMs, loss }, chance = Math.random) {
  let last = 0;
  /** @param {number} sentAt */
  return (sentAt) => {
    const lost = chance() < loss ? AGAIN_MS : 0;
    last = Math.max(last, sentAt + delayMs + chance() * jitterMs + lost);
    return last;
  };
}

/**
 * Does things when they arrive, each after the one before it: timers of their own would now and then overtake one
 * another.
 * @param {(sentAt: number) => number} arrives
 */
function inOrder(arrives) {
  /** @type {{ due: number, work: () => void }[]} */
  const waiting = [];
  const next = () => {
    const [first] = waiting;
    if (!first) return;
    setTimeout(
      () => {
        waiting.shift();
        first.work();
        next();
      },
      Math.max(0, first.due - performance.now()),
    );
  };
  return (/** @type {() => void} */ work) => {
    waiting.push({ due: arrives(performance.now()), work });
    if (waiting.length === 1) next();
  };
}

/**
 * Passes connections on to a port of this machine, over a bad network.
 * @param {Badness & { to: number, port?: number }} options
 * @returns {Promise<{ port: number, close: () => void }>}
 */
export function slowNetwork({ to, port = 0, ...badness }) {
  /** @type {Set<net.Socket>} */
  const open = new Set();
  /** @param {net.Socket} from @param {net.Socket} into */
  const pass = (from, into) => {
    const at = inOrder(arrivals(badness));
    open.add(from);
    from.setNoDelay(true);
    from.on('data', (bytes) => at(() => into.destroyed || into.write(bytes)));
    from.on('end', () => at(() => into.end()));
    from.on('error', () => into.destroy());
    from.on('close', () => {
      open.delete(from);
      at(() => into.destroy());
    });
  };
  const server = net.createServer((client) => {
    const behind = net.connect({ port: to, host: '127.0.0.1' });
    pass(client, behind);
    pass(behind, client);
  });
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen({ port, host: '127.0.0.1' }, () => {
      const address = /** @type {net.AddressInfo} */ (server.address());
      const close = () => {
        server.close();
        for (const socket of open) socket.destroy();
      };
      resolve({ port: address.port, close });
    });
  });
}
