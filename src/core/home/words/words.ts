/** What is said of a file that takes a while to make. */
export interface TakeWords {
  stop: string;
  making: string;
  next: string;
  one: string;
  /** With `{n}`. */
  more: string;
  saving: string;
  howFar: string;
  /** Where the server did not answer. */
  away: string;
}

/** What is said in a class that was given to somebody, in the language of the class. */
export interface GivenWords {
  /** What is put before the words of a move, or in their place, where it is not done as planned. */
  easier: string;
  leaveOut: string;
  strongEasier: string;
  strongLeaveOut: string;
  /** How often a move may come, with `{times}` where it is more than once. */
  once: string;
  aWeek: string;
  /** Of the sound of a class that is not as planned. */
  sound: string;
}

/** All that somebody reads on their own page, in one language; `{…}` stands for what is put in. */
export interface HomeWords {
  title: string;
  /** With `{name}`. */
  heading: string;
  /** With `{time}`. */
  stale: string;
  /** With `{class}`. */
  open: string;
  openHelp: string;
  openCarried: string;
  follow: string;
  followLabel: string;
  practised: string;
  logIt: string;
  dayOff: string;
  day: string;
  minutes: string;
  feels: string;
  feelsHelp: string;
  /** With `{week}`. */
  checkIn: string;
  keepIt: string;
  scales: Record<'jaw' | 'brow' | 'evenness', string>;
  /** What 0 and 10 are. */
  ends: Record<'jaw' | 'brow' | 'evenness', { least: string; most: string }>;
  /** With `{what}`, and the `{least}` and the `{most}` of it. */
  scale: string;
  ownWords: string;
  saveSound: string;
  didIt: string;
  /** With `{class}`. */
  didLabel: string;
  /** With `{kept}` and `{asked}`. */
  lately: string;
  dayByDay: string;
  logged: string;
  nothingLogged: string;
  /** With `{day}` and `{minutes}`. */
  entry: string;
  byTeacher: string;
  takeOut: string;
  take: TakeWords;
  given: GivenWords;

  /** What was done. */
  done: Record<'off' | 'logged' | 'takenOut' | 'kept' | 'in', string>;
  /** What is wrong with a field. */
  wrong: Record<'day' | 'minutes' | 'jaw' | 'brow' | 'evenness' | 'words', string>;
  unreadable: string;
  /** Why the server says no, by its code. */
  refused: Readonly<Record<string, string | undefined>>;
}
