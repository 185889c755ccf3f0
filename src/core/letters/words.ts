/** What a studio writes by itself to people on its register, and into their calendars, in one language. A language is a file. */
export interface LetterWords {
  hello: (name: string) => string;
  /** What the subject says after the studio's name, and what stands before the dates. */
  calledOff: { subject: string; first: string };
  /** What was called off and is not any more. */
  onAgain: { subject: string; first: string };
  /** What stands before a session as it was, and as it is. */
  changed: { subject: string; first: string; was: string; now: string };
  /** To those who said that they cannot come to what is at another time now. */
  away: { subject: string; first: string; word: string };
  movedUp: { subject: string; first: string; word: string };
  movedDown: { subject: string; first: string; word: string };
  /** In a calendar, of a session that has no room for them yet. */
  waits: string;
}
