/** A piece of work takes no longer at a time, so that a key that comes meanwhile is seen at once. */
const SLICE_MS = 5;

/**
 * Does a long piece of work a little at a time.
 * @param work a step of it each time it is asked
 * @param done is told when it is finished: gives what came out, or throws what went wrong
 * @returns how to leave the rest of it undone
 */
export function inSlices<T>(
  work: Iterator<unknown, T>,
  done: (result: () => T) => void,
): () => void {
  const { port1: here, port2: next } = new MessageChannel();
  const stop = () => {
    here.onmessage = null;
    here.close();
  };
  const end = (result: () => T) => {
    stop();
    done(result);
  };
  here.onmessage = () => {
    const until = performance.now() + SLICE_MS;
    try {
      do {
        const step = work.next();
        if (step.done) {
          const { value } = step;
          end(() => value);
          return;
        }
      } while (performance.now() < until);
    } catch (error) {
      end(() => {
        throw error;
      });
      return;
    }
    next.postMessage(null);
  };
  next.postMessage(null);
  return stop;
}
