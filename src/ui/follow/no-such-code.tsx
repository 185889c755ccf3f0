import { Door } from '../account/door';

/** Where a code leads to no class. The door of a class brings it, so its link is the browser's own: the app's weighs 3 kB. */
export function NoSuchCode({ says }: { says: string }) {
  return (
    <Door title="Nothing to follow here">
      <p>{says}</p>
      <a href="/follow" className="btn btn-primary upbeat-on-accent mt-6 justify-self-start">
        Type a code
      </a>
    </Door>
  );
}
