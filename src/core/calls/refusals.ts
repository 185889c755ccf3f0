import { digestOf } from './digest';

/**
 * Everything the server says no to: a code that programs read, the status it is sent with, and the
 * sentence a teacher reads. `{}` stands for what it is about.
 */
export const REFUSALS = {
  'signed-out': [
    401,
    'Your sign-in has run out. Sign in again in another tab, and nothing is lost here.',
  ],
  'cross-site': [403, 'This request came from another site.'],
  'too-large': [413, 'This is too large to be stored.'],
  'too-much': [413, 'The request {}.'],
  'not-json': [400, 'The request is not JSON.'],
  'not-as-asked': [400, 'Something in the request is not as it should be.'],
  'bad-class': [400, '{}'],
  'other-address': [400, 'The move and its address differ.'],
  'not-found': [404, 'This {} is not in your studio.'],
  'changed-elsewhere': [409, 'This class was changed somewhere else.'],
  'built-in': [409, 'The built-in moves stay as they are. Copy this one and change the copy.'],
  'move-in-use': [409, 'This move is used in {}. Take it out there first.'],
  'no-wav': [409, 'This is not a WAV file of one channel with 16 bits.'],
  'recording-too-long': [409, 'A recording may last {} seconds at most.'],
  'led-already': [409, 'This session has been led already, so it cannot be cancelled.'],
  'begun-already': [409, 'This session has begun. Who is there is marked in its register.'],
  'nobody-chosen': [409, 'Choose somebody from the list first.'],
  'settled-already': [409, 'This is settled already.'],
  'no-repair': [
    409,
    'Nothing was changed: this would bring up “{}”. Change it by hand in Compose.',
  ],
  'too-many-booked': [
    409,
    'A class or a session takes {} bookings at most, those who wait included.',
  ],
  cancelled: [409, 'This session was cancelled.'],
  'empty-class': [409, 'This class is still empty. Add a move in Compose before you lead it.'],
  'not-leading': [
    409,
    'Another device leads this class now. Take over there is on this screen, if you want it.',
  ],
  'not-started': [409, 'This class has not been started yet, so there is nothing to close.'],
  'too-many-sessions': [409, 'A series has {} sessions at most. End it sooner.'],
  'no-sessions': [409, 'Nothing meets like that: the series ends before it begins.'],
  'time-missing': [409, 'The clocks jump over {}. Choose below what is to happen then.'],
  'time-twice': [409, 'The clocks show {} twice. Choose below which one is meant.'],
  'archive-busy': [
    409,
    'An archive of this studio is being made or taken in. Wait until it is done.',
  ],
  'bad-archive': [409, '{}'],
  'archive-here': [
    409,
    'This studio, or a part of it, is on this server already. Delete it there before you take it in again.',
  ],
  'studio-not-empty': [
    409,
    'An archive is taken into a studio that has no classes, people or closed days yet. Make a new studio for it.',
  ],
  'forgets-now': [409, 'This forgets at once, for good: {}.'],
  'in-the-way': [409, 'This would be in the way: {}.'],
  'bad-calendar': [409, '{}'],
  'nothing-chosen': [409, 'Choose a class for something, or some closed days.'],
  'too-many-films': [409, 'You have {} films, which is the most. Remove one first.'],
  'too-long-to-film': [409, 'A class of {} minutes at most can be filmed. Make it shorter first.'],
  'film-not-done': [409, 'This film is not done yet.'],
  'film-failed': [409, 'Something went wrong. What is made is kept; press Go on to try again.'],
  'film-elsewhere': [
    503,
    'The files of this film are not on this machine. Remove it and make it again.',
  ],
  'no-room': [409, 'The server’s disk is full. Make room on it, then go on.'],
  'no-such-part': [409, 'This class has nothing in that part now. Choose another part.'],
  'too-many-words': [409, 'A studio has {} words of its own at most. Remove one first.'],
  'too-many-closures': [409, 'A studio has {} closures at most. Remove one that is over.'],
  'email-taken': [409, 'Somebody signs in with this email already. Use another one.'],
  'link-spent': [
    410,
    'This link has been used already, or it has run out. Ask whoever sent it for a new one.',
  ],
  'wrong-password': [403, 'This is not your password. Type the one you sign in with.'],
  'too-many-tries': [429, 'Too many tries. Wait {}, then try again.'],
  'owners-only': [403, 'Only an owner of the studio can do this.'],
  'leads-now': [
    409,
    'A class is led at this moment by {}. Wait until it is closed, then try again.',
  ],
  'last-owner': [409, 'A studio needs an owner. Make somebody else an owner first.'],
  'too-many-teachers': [409, 'A studio has {} teachers at most. Remove one first.'],
  'rule-in-the-past': [
    409,
    'A rule begins today at the earliest, so that the past stays as it was judged.',
  ],
  'too-many-rules': [409, 'A studio changes its rules {} times at most. Keep to one that holds.'],
  'not-yet-met': [409, 'This session has not begun. Until then somebody can only be excused.'],
  'too-many-changes': [409, 'The register of a session keeps {} corrections at most.'],
  'cautions-changed': [
    409,
    'Somebody changed these meanwhile. What they kept is ticked here as well: look at it, then keep it again.',
  ],
  'move-there': [
    409,
    'The studio has a move of this name by now. Give yours another one, or save it again beside that.',
  ],
  'move-changed': [
    409,
    'This move was changed somewhere else since you opened it. What you wrote is still here: save it again to put it in the place of that, or load the page again to see that first.',
  ],
  'changed-since': [409, 'This was changed again since. Look at what the register says now.'],
  'too-many-letters': [409, 'Write to {} people at once at most. Choose fewer of them.'],
  'letters-today': [
    409,
    'A studio writes {} letters in a day at most, and this would be more. Choose fewer people, or write to the rest tomorrow.',
  ],
  'too-many-days-off': [409, 'One person has {} days off at most.'],
  'too-many-programmes': [409, 'A studio has {} programmes at most. End one that is over first.'],
  'too-many-ended': [409, 'A studio keeps {} programmes that were ended at most.'],
  'too-many-enrolled': [409, 'A programme has {} people at most.'],
  'too-many-home': [409, 'One person has {} home classes at most. Take one back first.'],
  'nothing-for-home': [
    409,
    'They have met no move yet that suits what they carry. Lead a class with them first.',
  ],
  'no-check-in-due': [409, 'No check-in is due now. The next is offered when its week comes.'],
  'same-person': [409, 'This is the same entry of the register. Choose another one.'],
  'too-many-people': [409, 'A register holds {} people at most. Erase some who have left.'],
  'too-many-pauses': [409, 'One person has {} pauses at most. Take an old one out first.'],
  'practice-then': [409, 'Practice is logged for today or the last {} days. Choose another day.'],
  'practice-enough': [409, 'Practice is logged {} times a day at most.'],
  'nothing-left-for': [
    409,
    'What {} carries is against all of this class, so nothing of it is left. Make another one for them.',
  ],
  'nothing-left': [
    409,
    'Something you carry is against all of this class. Ask your teacher for another one.',
  ],
  'no-such-home': [
    401,
    'The address of your own page no longer works. Ask your teacher for a new one.',
  ],
  'demo-full': [503, 'The demo has as many visitors as it can bear. Try again in an hour.'],
  'log-full': [
    409,
    'The log of a class keeps {} entries at most. Close the class and begin another.',
  ],
  'too-many-streams': [
    429,
    'You follow classes on {} screens at once, which is the most. Close one of them first.',
  ],
  'too-many-recordings': [
    409,
    'A teacher keeps {} recordings at most. Remove some that you do not use any more.',
  ],
  'too-many-moves': [409, 'A studio keeps {} moves of its own at most. Remove one first.'],
  'too-many-classes': [409, 'A studio keeps {} classes at most. Put one away first, in Classes.'],
  'too-many-put-away': [
    409,
    'A studio has {} classes put away at most. Remove some for good that were never led.',
  ],
  'class-put-away': [409, 'This class is put away. Bring it back first, in Classes.'],
  'class-still-meets': [
    409,
    'The class “{}” still has sessions to come, or one that was begun and not closed. Call them off or close it, then put the class away.',
  ],
  'class-has-past': [
    409,
    'The class “{}” has sessions, is done at home or is of a programme, so it cannot be removed. It can stay put away.',
  ],
  'still-busy': [
    429,
    'Much of your studio is still being worked out. Wait a moment, then try again.',
  ],
  'took-too-long': [
    503,
    'This class takes too long to work out. Take rounds, laps or loops away, or make two classes of it.',
  ],
  'no-such-code': [
    404,
    'No class has this code now. Look at it again; a class that is over has none.',
  ],
  'door-shut': [403, 'The door of this class is shut. Ask the teacher to open it again.'],
  'turned-away': [
    403,
    'You do not follow this class any more. Ask the teacher, then come in again.',
  ],
  'too-many-followers': [409, 'A class has {} followers at most, and this one is full.'],
  'many-at-once': [429, 'Many are coming in at once. Press once more in a moment.'],
  'asked-enough': [429, 'You have asked {} questions in this class, which is the most.'],
  'not-following': [401, 'You follow no class here. Type its code to come in.'],
  'not-open': [409, 'Nobody can follow this class yet. Open it to followers first.'],
  'class-not-ready': [409, 'This class is not ready yet. It begins when the teacher starts it.'],
  'sound-enough': [
    429,
    'You have {} files of sound under way, which is the most. Wait until one is saved, or stop one.',
  ],
  'sound-studio-enough': [
    429,
    'Your studio has {} files of sound under way, which is the most. Wait until one is saved.',
  ],
  'sound-full': [429, 'Much sound is being made now. Try again in some minutes.'],
  'sound-failed': [
    503,
    'The sound could not be packed. Try again; where it fails again, save it as WAV.',
  ],
  'no-music': [
    409,
    'This is no sound that can be read here. Bring an MP3, M4A, Opus, Ogg, FLAC or WAV file.',
  ],
  'silent-music': [409, 'Nothing is to be heard in this file. Bring another one.'],
  'music-too-large': [413, 'A file of music may have {} MB at most. Save it smaller, as MP3.'],
  'music-too-long': [409, 'A piece of music may last {} minutes at most.'],
  'music-too-short': [409, 'A piece of music must last {} seconds at least.'],
  'too-much-music': [409, 'A studio keeps {} of music at most. Remove a piece first.'],
  'music-busy': [429, 'Music is being taken in already. Wait until it is done, then try again.'],
  'no-music-here': [503, 'This machine has no ffmpeg, which reads music. Install it first.'],
  'too-long-to-hear': [409, 'A class is taken away as sound up to {} hours.'],
  'no-encoder': [
    503,
    'This machine has no ffmpeg, which packs sound and films. Install it; WAV works without.',
  ],
  'no-voice': [503, 'This machine has no speech program.'],
  unspeakable: [
    422,
    'The voice cannot say this. Write it in other words, or record it in your own voice.',
  ],
} as const satisfies Record<string, readonly [status: number, says: string]>;

export type RefusalCode = keyof typeof REFUSALS;

/** On every refusal, whichever part of the program it comes from: each is bundled on its own. */
const REFUSED = Symbol.for('up-beat.refusal');

/** Thrown where the server says no for a reason that a teacher should read. */
export class Refusal extends Error {
  readonly [REFUSED] = true;
  /** All that comes to a page of an error in an action of its own. */
  readonly digest: string;

  constructor(
    readonly code: RefusalCode,
    about = '',
    /** What is sent along, for the page to go on with. */
    readonly more: Readonly<Record<string, unknown>> = {},
  ) {
    super(REFUSALS[code][1].replace('{}', () => about));
    this.digest = digestOf(this.message);
  }

  /** What is thrown in one part of the program is known in all of them, though each has a class of its own. */
  static override [Symbol.hasInstance](value: unknown): boolean {
    return value instanceof Error && REFUSED in value;
  }

  get status(): number {
    return REFUSALS[this.code][0];
  }
}

/** How long somebody has to wait, rounded up, so that it is over by then. */
export function waitWords(ms: number): string {
  const seconds = Math.ceil(ms / 1000);
  if (seconds < 60) return seconds === 1 ? 'a second' : `${seconds} seconds`;
  const minutes = Math.ceil(seconds / 60);
  return minutes === 1 ? 'a minute' : `${minutes} minutes`;
}

export const tooManyTries = (ms: number): string =>
  new Refusal('too-many-tries', waitWords(ms)).message;
