/** The press that takes an entry out of a list within a form. */
export function TakeOut({ id, says }: { id: string; says: string }) {
  return (
    <button
      type="submit"
      name="drop"
      value={id}
      className="btn btn-ghost btn-sm"
      aria-label={`Take it out: ${says}`}
    >
      Take it out
    </button>
  );
}
