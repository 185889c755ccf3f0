/** The press that takes an entry out of a list within a form. */
export function TakeOut({
  id,
  says,
  press = 'Take it out',
}: {
  id: string;
  says: string;
  /** What is pressed, in the language of the page. */
  press?: string;
}) {
  return (
    <button
      type="submit"
      name="drop"
      value={id}
      className="btn btn-ghost btn-sm"
      aria-label={`${press}: ${says}`}
    >
      {press}
    </button>
  );
}
