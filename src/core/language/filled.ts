/** A sentence with what is in braces put in. */
export const filled = (says: string, what: Readonly<Record<string, string | number>>): string =>
  says.replace(/\{(\w+)\}/g, (whole, name) => String(what[name] ?? whole));
