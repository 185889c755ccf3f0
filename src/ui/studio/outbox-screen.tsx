import { Empty } from '../kit/empty';
import { Page } from '../kit/page';

export interface OutboxScreenProps {
  letters: {
    id: string;
    recipient: string;
    subject: string;
    body: string;
    written: string;
    sent: boolean;
    trouble: string | null;
    /** When it is tried again; null where it is not. */
    again: string | null;
  }[];
  /** Whether a mail server is configured. */
  mails: boolean;
  most: number;
  mostUnsent: number;
}

/** What became of a letter, and what will. */
function becameOf({ sent, trouble, again }: OutboxScreenProps['letters'][number]): string {
  if (sent) return 'Sent';
  const why = trouble ? `: ${trouble}` : '';
  if (again) return `Not sent yet, tried again after ${again}${why}`;
  return trouble ? `Not sent${why}` : 'Waiting here';
}

/** The letters that the studio has written, to be read and handed on where no mail server sends them. */
export function OutboxScreen({ letters, mails, most, mostUnsent }: OutboxScreenProps) {
  return (
    <Page title="Letters of the studio">
      <p className="quiet mb-4 max-w-2xl">
        {mails
          ? 'Letters go out by the mail server of this Up Beat. One that it may take later is tried again as long as it is of use, for four days at most.'
          : 'No mail server is configured, so letters wait here: copy what a letter says and hand it on yourself.'}{' '}
        The newest {most} are kept, and those that nobody has sent up to {mostUnsent}.
      </p>
      {letters.length === 0 ? (
        <Empty title="No letters yet">
          <p>Invitations, new passwords and what becomes of sessions will stand here.</p>
        </Empty>
      ) : (
        <ul className="grid gap-3">
          {letters.map((l) => (
            <li key={l.id} className="border-base-300 rounded-box border p-4">
              <p className="font-semibold">{l.subject}</p>
              <p className="quiet text-sm">
                To {l.recipient}, written {l.written}
              </p>
              <p className={`text-sm break-words ${l.sent ? 'quiet' : 'font-semibold'}`}>
                {becameOf(l)}
              </p>
              <p className="mt-2 break-words whitespace-pre-line">{l.body}</p>
            </li>
          ))}
        </ul>
      )}
    </Page>
  );
}
