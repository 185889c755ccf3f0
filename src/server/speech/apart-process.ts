import { createBirpc } from 'birpc';
import { type HowToRender, Unspeakable } from './speaking';
import { voicing } from './voicing';

/** The process that `apart.ts` begins. It ends with the one that began it, and so does all that it lets speak. */

/** What became of a text. */
export type Said = { wav: Buffer } | { unspeakable: string } | { missing: string } | 'stopped';

const underway = new Map<string, AbortController>();

const work = {
  level: voicing.level,

  /** @param id what `stop` knows it by; what `levels` comes as loud as all that is said */
  speak: async (
    id: string,
    command: readonly string[],
    input: string,
    {
      nice,
      kilobytes,
      levels,
    }: Pick<HowToRender, 'nice'> & { kilobytes?: number; levels: boolean },
  ): Promise<Said> => {
    const controller = new AbortController();
    underway.set(id, controller);
    try {
      const how = { signal: controller.signal, nice };
      const lets = levels ? voicing.says : voicing.speaks;
      return { wav: await lets(command, input, how, kilobytes) };
    } catch (problem) {
      if (controller.signal.aborted) return 'stopped';
      if (problem instanceof Unspeakable) return { unspeakable: problem.message };
      const { code, message } = problem as NodeJS.ErrnoException;
      if (code === 'ENOENT') return { missing: message };
      throw problem;
    } finally {
      underway.delete(id);
    }
  },

  stop: (id: string): void => underway.get(id)?.abort(),
};
export type Work = typeof work;

createBirpc<object, Work>(work, {
  post: (data) => process.send?.(data),
  on: (hear) => process.on('message', hear),
});
process.on('disconnect', () => {
  for (const controller of underway.values()) controller.abort();
  process.exit();
});
