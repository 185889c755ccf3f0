import { createTransport } from 'nodemailer';

/** What the mail server is given. */
export interface Posted {
  /** The letter's own id: the same each time it is tried, so that whoever gets it twice can tell. */
  id: string;
  recipient: string;
  subject: string;
  body: string;
}

/** Carries letters to people. @throws Error where it could not */
export type Post = (letter: Posted) => Promise<void>;

const PATIENCE_MS = 10_000;
/** The library gives up first, and closes its connection: else a letter that came after all would be sent again. */
const WAITS_MS = PATIENCE_MS - 1000;
const FROM = 'Up Beat <up-beat@localhost>';

/** The mail server that is configured; null where letters only wait in the outbox. */
export function postFrom(env: NodeJS.ProcessEnv): Post | null {
  const url = env.UPBEAT_SMTP_URL;
  if (!url) return null;
  const from = env.UPBEAT_MAIL_FROM ?? FROM;
  const domain = /@([^\s>]+)>?\s*$/.exec(from)?.[1] ?? 'localhost';
  const waits = {
    ...{ connectionTimeout: WAITS_MS, greetingTimeout: WAITS_MS },
    ...{ socketTimeout: WAITS_MS, dnsTimeout: WAITS_MS },
  };
  const transport = createTransport({ url, ...waits }, { from });
  return async ({ id, recipient, subject, body }) => {
    const late = new Promise<never>((_, reject) => {
      setTimeout(
        () => reject(new Error('The mail server did not answer in time.')),
        PATIENCE_MS,
      ).unref();
    });
    const messageId = `<${id}@${domain}>`;
    const sent = transport.sendMail({ to: recipient, subject, text: body, messageId });
    await Promise.race([sent, late]);
  };
}

const fieldOf = (error: unknown, field: string): unknown =>
  error instanceof Error ? Reflect.get(error, field) : undefined;

/**
 * An address or a text that the mail server refuses says nothing of the next letter; these are the library's names for
 * it.
 */
const isAboutLetter = (error: unknown): boolean =>
  ['EENVELOPE', 'EMESSAGE'].includes(String(fieldOf(error, 'code')));

/** What a failed try means for this letter and the next ones. */
export interface Failure {
  trouble: string;
  /** The mail server takes no letter for now, whatever it says. */
  isAway: boolean;
  /** Whether it may be taken later. A number of the four hundreds says so of a refusal (RFC 5321, 4.2.1). */
  mayPass: boolean;
}

export function failureOf(error: unknown): Failure {
  const said = error instanceof Error ? error.message : String(error);
  const isAway = !isAboutLetter(error);
  const answered = Number(fieldOf(error, 'responseCode'));
  return {
    trouble: isAway ? `the mail server takes no letters for now (${said})` : said,
    isAway,
    mayPass: isAway || (answered >= 400 && answered < 500),
  };
}
