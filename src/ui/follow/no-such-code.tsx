import { Door } from '../account/door';
import { Link } from '../kit/link';

/** Where a code leads to no class. */
export function NoSuchCode({ says }: { says: string }) {
  return (
    <Door title="Nothing to follow here">
      <p>{says}</p>
      <Link href="/follow" className="btn btn-primary upbeat-on-accent mt-6 justify-self-start">
        Type a code
      </Link>
    </Door>
  );
}
