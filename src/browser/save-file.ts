/** Hands a text to the browser as a file to keep. @param name of the file; what a name of a file cannot have is left out */
export function saveFile(
  name: string,
  ending: string,
  { text, type }: { text: string; type: string },
) {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = `${name.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}${ending}`;
  link.click();
  URL.revokeObjectURL(url);
}
