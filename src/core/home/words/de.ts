import type { HomeWords } from './words';

const NUMBER = 'Wähle eine Zahl von 0 bis 10.';

export const german: HomeWords = {
  title: 'Üben zu Hause',
  heading: 'Üben zu Hause, {name}',
  stale:
    'So war es um {time}: der Server antwortet nicht. Sobald er es tut, wird diese Seite neu geholt.',
  open: '{class} ist offen',
  openHelp: 'Sieh und hör sie hier. Deine Lehrerin sieht, dass du da bist.',
  openCarried:
    'Worauf deine Lehrerin bei dir achten soll, ist dort unter „Leichter für mich“ schon angekreuzt.',
  follow: 'Hier mitmachen',
  followLabel: 'Bei der Stunde mitmachen',
  practised: 'Ich habe geübt',
  logIt: 'Eintragen',
  dayOff: 'An dem Tag nehme ich frei',
  day: 'Tag',
  minutes: 'Minuten, wenn du es weißt',
  feels: 'Wie fühlt es sich an?',
  feelsHelp: 'Nur du und deine Lehrerin lesen das. Manche merken bis jetzt etwas, andere nicht.',
  checkIn: 'Nachfrage in Woche {week}',
  keepIt: 'Behalten',
  scales: {
    jaw: 'Leichtigkeit des Kiefers',
    brow: 'Spannung der Stirn',
    evenness: 'Gleichmaß von links und rechts',
  },
  ends: {
    jaw: { least: 'steif', most: 'leicht' },
    brow: { least: 'gelöst', most: 'sehr angespannt' },
    evenness: { least: 'sehr ungleich', most: 'gleich' },
  },
  scale: '{what}: 0 heißt {least}, 10 heißt {most}',
  ownWords: 'In deinen eigenen Worten, wenn du magst',
  saveSound: 'Als Ton speichern',
  didIt: 'Ich habe sie gemacht',
  didLabel: 'Ich habe {class} gemacht',
  lately: '{kept} von {asked} in den letzten 12 Wochen gehalten',
  dayByDay: 'Tag für Tag',
  logged: 'Was eingetragen ist',
  nothingLogged: 'Noch nichts. Was du oben einträgst, steht dann hier.',
  entry: '{day}, {minutes} min',
  byTeacher: 'von deiner Lehrerin',
  takeOut: 'Herausnehmen',
  given: {
    easier: 'In der leichteren Fassung, oder gar nicht:',
    leaveOut: 'Lass diese aus, und frag deine Lehrerin.',
    strongEasier:
      'Was in der Stunde kräftig ist, braucht Tage der Ruhe; mach zu Hause die leichtere Fassung:',
    strongLeaveOut: 'Das ist kräftig und braucht Tage der Ruhe: lass es zu Hause aus.',
    once: 'Höchstens einmal in der Woche, die Stunde mitgezählt.',
    aWeek: 'Höchstens {times}-mal in der Woche, die Stunde mitgezählt.',
    sound: 'Er ist, wie es hier steht, ohne das, was du auslassen sollst.',
  },
  take: {
    stop: 'Abbrechen',
    making: 'Wird gemacht',
    next: 'Wartet, bis es an der Reihe ist: es ist das Nächste',
    one: 'Wartet, bis es an der Reihe ist: eines ist davor',
    more: 'Wartet, bis es an der Reihe ist: {n} sind davor',
    saving: 'Wird gespeichert',
    howFar: 'Wie weit es ist',
    away: 'Nichts wurde gespeichert. Der Server antwortet nicht. Versuch es gleich noch einmal.',
  },

  done: {
    off: 'An dem Tag hast du frei.',
    logged: 'Eingetragen. Gut gemacht.',
    takenOut: 'Herausgenommen.',
    kept: 'Behalten, für dich und deine Lehrerin.',
    in: 'Du bist dabei.',
  },
  wrong: {
    day: 'Wähle einen Tag, den es gibt.',
    minutes: 'Schreib ganze Minuten, oder nichts.',
    jaw: NUMBER,
    brow: NUMBER,
    evenness: NUMBER,
    words: 'Höchstens 500 Zeichen.',
  },
  unreadable: 'Darin sind Zeichen, die sich nicht speichern lassen. Schreib es neu.',
  refused: {
    'too-many-days-off': 'Mehr freie Tage gehen nicht.',
    'no-check-in-due': 'Jetzt ist keine Nachfrage dran. Die nächste kommt in ihrer Woche.',
    'nothing-left':
      'Etwas, worauf bei dir zu achten ist, spricht gegen diese ganze Stunde. Bitte deine Lehrerin um eine andere.',
    'not-found': 'Diese Stunde ist nicht mehr da. Lade die Seite neu.',
    'empty-class': 'Diese Stunde ist noch leer. Frag deine Lehrerin.',
    'sound-enough':
      'Von dir werden schon so viele Tondateien gemacht, wie es gehen. Warte, bis eine gespeichert ist, oder brich eine ab.',
    'sound-studio-enough':
      'Gerade wird in deinem Studio viel Ton gemacht. Versuch es in ein paar Minuten noch einmal.',
    'sound-full': 'Gerade wird viel Ton gemacht. Versuch es in ein paar Minuten noch einmal.',
    'sound-failed':
      'Der Ton ließ sich nicht machen. Versuch es noch einmal; geht es wieder nicht, sag es deiner Lehrerin.',
    'too-long-to-hear': 'Diese Stunde ist zu lang dafür. Frag deine Lehrerin.',
    'no-encoder': 'Dieser Server kann gerade keinen Ton machen. Sag es deiner Lehrerin.',
    'no-room': 'Auf diesem Server ist gerade kein Platz dafür. Sag es deiner Lehrerin.',
    'no-voice': 'Dieser Server kann gerade nicht sprechen. Sag es deiner Lehrerin.',
  },
};
