import { newId } from './new-id';

/**
 * The ids under which something is sent: one and the same each time, until an answer has come or something else is
 * sent. So the server can tell what is sent again from what is meant twice.
 */
export class Errands {
  private last: { id: string; content: string } | null = null;

  idOf(content: string): string {
    if (this.last?.content !== content) this.last = { id: newId(), content };
    return this.last.id;
  }

  answered(): void {
    this.last = null;
  }
}

/** What stands in a form, as text; of files their names, sizes and dates. */
export const contentOf = (form: FormData): string =>
  JSON.stringify(
    [...form].map(([name, value]) =>
      typeof value === 'string'
        ? [name, value]
        : [name, value.name, value.size, value.lastModified],
    ),
  );
