import { newId } from './new-id';

/**
 * The ids under which something is sent: one and the same each time, until an answer has come or something else is
 * sent. So the server can tell what is sent again from what is meant twice.
 */
export class Errands {
  private last: { id: string; content: string } | null = null;

  /**
   * Sends something under its id.
   * @throws what `by` throws; the same has the same id when it is sent again
   */
  async send<T>(content: string, by: (id: string) => Promise<T>): Promise<T> {
    if (this.last?.content !== content) this.last = { id: newId(), content };
    const answer = await by(this.last.id);
    this.last = null;
    return answer;
  }
}

/** By what a file is known. */
export const fileContent = ({ name, size, lastModified }: File): string =>
  JSON.stringify([name, size, lastModified]);

/** What stands in a form, as text; of files by what they are known. */
export const contentOf = (form: FormData): string =>
  JSON.stringify(
    [...form].map(([name, value]) => [
      name,
      typeof value === 'string' ? value : fileContent(value),
    ]),
  );
