/** A file to be kept, under a name of plain letters. */
export function attached(
  content: string,
  { name, type }: { name: string; type: string },
): Response {
  return new Response(content, {
    headers: {
      'Content-Type': `${type}; charset=utf-8`,
      'Content-Disposition': `attachment; filename="${name}"`,
      'Cache-Control': 'private, no-store',
    },
  });
}
