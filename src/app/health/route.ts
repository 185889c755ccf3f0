/** Whether this process answers at all; it asks nobody else, so that no restart follows from their trouble. */
export function GET(): Response {
  return Response.json({ ok: true });
}
