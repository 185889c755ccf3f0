/**
 * Lets owners have so much at work at a time and no more: what one asks for beyond that waits for what the same one
 * asked before, and for nobody else's.
 */
export class Gate {
  /** @type {Map<string, { working: number, waiting: (() => void)[] }>} */
  #owners = new Map();
  #atOnce;
  #mostWaiting;

  /** @param {{ atOnce: number, mostWaiting: number }} limits of each owner */
  constructor({ atOnce, mostWaiting }) {
    this.#atOnce = atOnce;
    this.#mostWaiting = mostWaiting;
  }

  /** How many owners have something at work or waiting. */
  get owners() {
    return this.#owners.size;
  }

  /**
   * Waits until there is room for one thing more of an owner.
   * @param {string} owner
   * @returns {Promise<(() => void) | null>} ends that thing, once however often it is called; null where too much of
   *   the same owner waits already
   */
  async enter(owner) {
    const own = this.#owners.get(owner) ?? { working: 0, waiting: [] };
    this.#owners.set(owner, own);
    if (own.working >= this.#atOnce) {
      if (own.waiting.length >= this.#mostWaiting) return null;
      // Whoever ends makes room for the next, so the number at work stays as it is.
      await new Promise((resolve) => own.waiting.push(() => resolve(undefined)));
    } else own.working++;
    let ended = false;
    return () => {
      if (ended) return;
      ended = true;
      const next = own.waiting.shift();
      if (next) next();
      else if (--own.working === 0) this.#owners.delete(owner);
    };
  }
}
