import { Door } from '@/ui/account/door';
import { Link } from '@/ui/kit/link';

/** For whoever comes by a link that leads nowhere any more. */
export function Spent({ what }: { what: string }) {
  return (
    <Door title="This link no longer works">
      <p>
        A link to {what} works once and for a limited time. Ask whoever sent it for a new one, or{' '}
        <Link href="/sign-in" className="link">
          sign in
        </Link>
        .
      </p>
    </Door>
  );
}
