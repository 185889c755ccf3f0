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
  }[];
  /** Whether a mail server is configured. */
  mails: boolean;
  most: number;
}

/** The letters that the studio has written, to be read and handed on where no mail server sends them. */
export function OutboxScreen({ letters, mails, most }: OutboxScreenProps) {
  return (
    <Page title="Letters of the studio">
      <p className="quiet mb-4 max-w-2xl">
        {mails
          ? 'Letters go out by the mail server of this Up Beat.'
          : 'No mail server is configured, so letters wait here: copy what a letter says and hand it on yourself.'}{' '}
        The newest {most} are kept.
      </p>
      {letters.length === 0 ? (
        <Empty title="No letters yet">
          <p>Invitations, new passwords and cancelled sessions will stand here.</p>
        </Empty>
      ) : (
        <ul className="grid gap-3">
          {letters.map((l) => (
            <li key={l.id} className="border-base-300 rounded-box border p-4">
              <p className="font-semibold">{l.subject}</p>
              <p className="quiet text-sm">
                To {l.recipient}, written {l.written},{' '}
                {l.sent ? 'sent' : l.trouble ? `not sent: ${l.trouble}` : 'waiting here'}
              </p>
              <p className="mt-2 break-words whitespace-pre-line">{l.body}</p>
            </li>
          ))}
        </ul>
      )}
    </Page>
  );
}
