/** A table says by this that it is UTF-8: spreadsheets take it for something else without, and spoil names with accents. */
const UTF_8 = '\ufeff';

/** A file to be kept, under a name of plain letters. */
export function attached(
  content: string,
  { name, type }: { name: string; type: string },
): Response {
  return new Response(type === 'text/csv' ? UTF_8 + content : content, {
    headers: {
      'Content-Type': `${type}; charset=utf-8`,
      'Content-Disposition': `attachment; filename="${name}"`,
      'Cache-Control': 'private, no-store',
    },
  });
}
