/** Hands a text to the browser as a file to keep. @param name of the file; what a name of a file cannot have is left out */
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
  link.download = `${name.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}${ending}`;
  link.click();
  URL.revokeObjectURL(url);
}
