import { SCALES } from '../../people/check-in';
import { TAKING } from './taking-en';
import type { HomeWords } from './words';

export const english: HomeWords = {
  title: 'Practice at home',
  heading: 'Practice at home, {name}',
  stale:
    'This is how it was at {time}: the server does not answer. As soon as it does, this page is looked up again.',
  open: '{class} is open',
  openHelp: 'See and hear it here. Your teacher sees that you are there.',
  openCarried: 'What you told your teacher to mind is ticked there, under “Easier for me”.',
  follow: 'Follow it here',
  followLabel: 'Follow the class',
  practised: 'I practised',
  logIt: 'Log it',
  dayOff: 'I take that day off',
  day: 'Day',
  minutes: 'Minutes, if you know',
  feels: 'How does it feel?',
  feelsHelp:
    'Only you and your teacher read this. Some people notice something by now, others do not.',
  checkIn: 'Check-in of week {week}',
  keepIt: 'Keep it',
  scales: SCALES,
  ends: {
    jaw: { least: 'stiff', most: 'easy' },
    brow: { least: 'relaxed', most: 'very tense' },
    evenness: { least: 'very uneven', most: 'even' },
  },
  scale: '{what}: 0 is {least}, 10 is {most}',
  ownWords: 'In your own words, if you like',
  saveSound: 'Save it as sound',
  didIt: 'I did it',
  didLabel: 'I did {class}',
  lately: 'Kept {kept} of {asked} in the last 12 weeks',
  dayByDay: 'Day by day',
  logged: 'What is logged',
  nothingLogged: 'Nothing yet. What you log above will stand here.',
  entry: '{day}, {minutes} min',
  byTeacher: 'by your teacher',
  takeOut: 'Take it out',
  given: {
    easier: 'In its easier version, or not at all:',
    leaveOut: 'Leave this one out, and ask your teacher.',
    strongEasier: 'What is strong in class needs days of rest, so at home do the easier version:',
    strongLeaveOut: 'This is strong and needs days of rest: leave it out at home.',
    once: 'At most once a week, with what you do in class.',
    aWeek: 'At most {times} times a week, with what you do in class.',
    sound: 'It is as it stands here, without what you are to leave out.',
  },
  take: TAKING,

  done: {
    off: 'That day is off.',
    logged: 'Logged. Well kept.',
    takenOut: 'Taken out.',
    kept: 'Kept, for you and your teacher.',
    in: 'You are in.',
  },
  wrong: {
    day: 'Choose a day.',
    minutes: 'Write whole minutes, or nothing.',
    jaw: 'Choose a number from 0 to 10.',
    brow: 'Choose a number from 0 to 10.',
    evenness: 'Choose a number from 0 to 10.',
    words: 'Use at most 500 characters.',
  },
  unreadable: 'This holds signs that cannot be stored. Write it anew.',
  refused: {
    'no-encoder': 'This server cannot make sound now. Tell your teacher.',
    'no-room': 'This server has no room for it now. Tell your teacher.',
    'no-voice': 'This server cannot speak now. Tell your teacher.',
    'sound-failed':
      'The sound could not be made. Try again; where it fails again, tell your teacher.',
    'sound-studio-enough':
      'Much sound is being made for your studio now. Try again in some minutes.',
  },
};
