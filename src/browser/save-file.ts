/** A name as a name of a file: what that cannot have is left out. */
export const fileName = (name: string, ending: string): string =>
  `${name.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}${ending}`;

/** Hands a text to the browser as a file to keep. */
export const saveFile = (
  name: string,
  ending: string,
  { text, type }: { text: string; type: string },
): void => saveBlob(name, ending, new Blob([text], { type }));

/** Hands a file to the browser to keep. */
export function saveBlob(name: string, ending: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = fileName(name, ending);
  link.click();
  URL.revokeObjectURL(url);
}
