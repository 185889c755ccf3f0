const SAID = 'refused: ';

/** What goes along with a refusal as its digest, which is all that comes to a page of an error in an action. */
export const digestOf = (message: string): string => `${SAID}${message}`;

/** What a refusal said, by its digest; nothing where it is that of another error. */
export const saidBy = (digest: string): string | undefined =>
  digest.startsWith(SAID) ? digest.slice(SAID.length) : undefined;
