/** Lets something go first: what gives way to it waits until none of it is under way, but not for ever. */
export class First {
  #underWay = 0;
  /** @type {Set<() => void>} */
  #waiting = new Set();

  /**
   * Begins something that goes first.
   * @returns {() => void} ends it, once however often it is called
   */
  begin() {
    this.#underWay++;
    let ended = false;
    return () => {
      if (ended) return;
      ended = true;
      if (--this.#underWay > 0) return;
      for (const goOn of [...this.#waiting]) goOn();
    };
  }

  /**
   * Waits until nothing is under way that goes first.
   * @param {number} mostMs so long at most, since what goes first may come without end
   * @returns {Promise<void>}
   */
  giveWay(mostMs) {
    if (this.#underWay === 0) return Promise.resolve();
    return new Promise((resolve) => {
      const goOn = () => {
        clearTimeout(patience);
        this.#waiting.delete(goOn);
        resolve();
      };
      const patience = setTimeout(goOn, mostMs);
      this.#waiting.add(goOn);
    });
  }
}
