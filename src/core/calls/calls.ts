import { z } from 'zod';
import { markSchema } from '../attendance';
import { dateSchema, sessionStatusSchema } from '../calendar';
import { planSchema, rulesSchema } from '../class';
import { INSIGHTS, insightsAskedSchema } from '../insights';
import { cueTextSchema, languageSchema, moveIdSchema, moveSchema } from '../move';
import { MOST_PRACTISED_S } from '../people';
import { newRunEventSchema } from '../run';
import {
  deviceVoicesSchema,
  measuredLengthsSchema,
  saidWordSchema,
  speechChoiceSchema,
  voiceIdSchema,
  voiceOfferSchema,
} from '../speech';
import { soundProgressSchema } from '../take-away';
import {
  classVersionSchema,
  doorSchema,
  logSchema,
  recordingSchema,
  registerLineSchema,
  rollEntrySchema,
  roomSchema,
  scoresSchema,
  storedPlanSchema,
  streakToldSchema,
} from './answers';
import { call, file, made, nothing, sentAs } from './call';
import { MUSIC_CALLS } from './music-calls';
import { TAKE_AWAY_CALLS } from './take-away-calls';

/** Most minutes that somebody is late, or leaves early, in a register. */
export const MOST_MINUTES_OFF = 600;
/** Most events that one request may bring. */
export const MOST_EVENTS = 500;
/** The newest event that the asker knows: the answer has those after it. */
const seq = z.coerce.number().int().min(0).max(1_000_000).default(0);
/** For a screen that everybody sees: nothing of the people in the room. */
const screen = z.literal('1').optional();
/** Most texts whose length may be asked for at once. */
const MOST_TEXTS = 1000;
/** Largest WAV file that may be sent, in characters of base64. */
const MOST_WAV = 1_950_000;

const id = z.uuid();
const rate = z.coerce.number().int().min(80).max(260);

const utteranceSchema = z.object({
  text: cueTextSchema,
  language: languageSchema,
  wordsPerMinute: rate,
});

/** Every call there is, for the route handlers and the browser alike. */
export const CALLS = {
  readClass: call({
    method: 'GET',
    path: '/api/classes/[id]',
    id,
    asks: nothing,
    answers: storedPlanSchema,
  }),
  /** What Compose has to know besides the class itself: the people and the calendar of it, and the studio's moves. */
  readRoom: call({
    method: 'GET',
    path: '/api/classes/[id]/room',
    id,
    asks: z.object({
      /** The stamp of what is known already. */
      known: z.string().max(64),
    }),
    answers: z.object({
      stamp: z.string(),
      /** Null where it is known already. */
      news: z.object({ room: roomSchema, own: z.array(moveSchema) }).nullable(),
    }),
  }),
  /** Refused as `changed-elsewhere`, with the stored class, where it is not based on the newest version. */
  saveClass: call({
    method: 'PUT',
    path: '/api/classes/[id]',
    id,
    asks: z.object({ plan: planSchema, basedOn: z.number().int().positive() }),
    answers: z.object({ version: z.number() }),
  }),
  classVersions: call({
    method: 'GET',
    path: '/api/classes/[id]/versions',
    id,
    asks: nothing,
    answers: z.object({ versions: z.array(classVersionSchema) }),
  }),

  saveMove: call({
    method: 'PUT',
    path: '/api/moves/[id]',
    id: moveIdSchema,
    asks: z.object({
      move: moveSchema,
      /** The move that was changed, as it was; null for a new one. Where it is missing, any may be written over. */
      was: moveSchema.nullable().optional(),
    }),
    answers: made,
  }),
  removeMove: call({
    method: 'DELETE',
    path: '/api/moves/[id]',
    id: moveIdSchema,
    asks: nothing,
    answers: made,
  }),
  /** Miniatures of moves as one document in SVG, each under the id of its move. */
  miniatures: call({
    method: 'GET',
    path: '/api/miniatures',
    asks: z.object({
      of: z.enum(['library', 'own']),
      /** Makes the address another one when the moves have changed. */
      stamp: z.string().max(64),
    }),
    answers: file,
  }),

  /** The class as it is now, compiled with measured speech, to be led. */
  prepareSession: call({
    method: 'POST',
    path: '/api/sessions/[id]/prepare',
    id,
    asks: z.object({
      wordsPerMinute: rulesSchema.shape.wordsPerMinute.unwrap().optional(),
      /** Voices that the device has which will lead it. */
      deviceVoices: deviceVoicesSchema.optional(),
    }),
    answers: z.object({
      scores: scoresSchema,
      /** What it was made ready from, as `readRoll` tells it; null where it has begun, and stays as it is. */
      basis: z.string().nullable(),
      /** What the device's voice never said yet, so that its length is only estimated. */
      unmeasured: z.array(utteranceSchema),
      /** Whether the server can speak. */
      voice: z.boolean(),
      now: z.number(),
    }),
  }),
  closeSession: call({
    method: 'POST',
    path: '/api/sessions/[id]/close',
    id,
    asks: z.object({ id, at: z.number().int().nonnegative(), device: z.uuid() }),
    answers: z.object({ roll: z.array(rollEntrySchema) }),
  }),

  /** The server's time, as the request came and as the answer went, so that what lay between is known. */
  tellTime: call({
    method: 'GET',
    path: '/api/time',
    asks: nothing,
    answers: z.object({ arrived: z.number(), now: z.number() }),
  }),
  readLog: call({
    method: 'GET',
    path: '/api/runs/[id]/events',
    id,
    asks: z.object({ after: seq, screen }),
    answers: logSchema,
  }),
  /** Refused as `not-leading` where another device leads. */
  sendEvents: call({
    method: 'POST',
    path: '/api/runs/[id]/events',
    id,
    asks: z.object({
      device: z.uuid(),
      events: z.array(newRunEventSchema).min(1).max(MOST_EVENTS),
      after: seq,
    }),
    answers: logSchema,
  }),
  takeLead: call({
    method: 'POST',
    path: '/api/runs/[id]/lead',
    id,
    asks: z.object({ device: z.uuid() }),
    answers: logSchema,
  }),
  /** A stream of server-sent events: the log as it grows. */
  followLog: call({
    method: 'GET',
    path: '/api/runs/[id]/live',
    id,
    asks: z.object({ after: seq, screen }),
    answers: logSchema,
  }),

  /** A cue as a WAV file, in the voice its teacher chose or recorded. */
  hear: call({
    method: 'GET',
    path: '/api/speech',
    asks: z.object({
      text: cueTextSchema,
      language: languageSchema,
      rate,
      /** In this voice of the machine, to choose by, whatever was chosen or recorded. */
      voice: voiceIdSchema.optional(),
    }),
    answers: file,
  }),
  /** The voices that the machine has, and those for which another one had to speak. */
  listVoices: call({
    method: 'GET',
    path: '/api/voice',
    asks: nothing,
    answers: z.object({ offers: z.array(voiceOfferSchema), troubled: z.array(voiceIdSchema) }),
  }),
  /** How the studio's words are said. */
  keepSaidWord: call({
    method: 'POST',
    path: '/api/voice/words',
    asks: saidWordSchema,
    answers: saidWordSchema.extend({ id: z.uuid() }),
  }),
  removeSaidWord: call({
    method: 'DELETE',
    path: '/api/voice/words/[id]',
    id,
    asks: nothing,
    answers: made,
  }),
  /** Measured lengths in ms, in the order asked; null where a text cannot be said here. */
  speechLengths: call({
    method: 'POST',
    path: '/api/speech/lengths',
    asks: z.object({
      utterances: z.array(utteranceSchema).max(MOST_TEXTS),
    }),
    answers: z.object({
      lengths: z.array(z.number().nullable()),
      /** Whether there is a voice at all; what it cannot say has no length. */
      voice: z.boolean(),
    }),
  }),
  /** How long a voice of the teacher's own device took for some texts. */
  noteDeviceLengths: call({
    method: 'POST',
    path: '/api/speech/measured',
    asks: measuredLengthsSchema,
    answers: z.object({ noted: z.number() }),
  }),
  chooseVoice: call({
    method: 'PUT',
    path: '/api/voice',
    asks: speechChoiceSchema,
    answers: speechChoiceSchema,
  }),

  /** The whole studio as a ZIP file of open formats; for owners. */
  exportStudio: call({ method: 'GET', path: '/api/archive', asks: nothing, answers: file }),
  /** Takes such a file into a studio that is still empty; for owners. */
  importStudio: call({
    method: 'POST',
    path: '/api/archive',
    asks: nothing,
    takes: 'application/zip',
    answers: z.object({
      people: z.number(),
      sessions: z.number(),
      /** Names of teachers whose email is taken on this server. */
      without: z.array(z.string()),
    }),
  }),

  /**
   * Corrects one line of a register; `from` is the first day of the register that is looked at. The device makes the
   * id of the change, so that what is asked again, where no answer came, is done once.
   */
  correctMark: call({
    method: 'POST',
    path: '/api/sessions/[id]/marks',
    id,
    asks: z.object({
      change: id,
      participantId: id,
      from: dateSchema,
      said: z
        .object({
          mark: markSchema,
          lateMinutes: z.number().int().min(0).max(MOST_MINUTES_OFF).optional(),
          leftMinutes: z.number().int().min(0).max(MOST_MINUTES_OFF).optional(),
        })
        .nullable(),
    }),
    answers: z.object({
      change: id.nullable(),
      /** Null where nothing is left to say of them in these weeks. */
      line: registerLineSchema.nullable(),
    }),
  }),
  /**
   * Takes a correction back; refused as `changed-since` where the line is not as it left it. That is a change too, with
   * an id that the device makes.
   */
  takeBackMark: call({
    method: 'POST',
    path: '/api/changes/[id]',
    id,
    asks: z.object({ change: id, from: dateSchema }),
    answers: z.object({ line: registerLineSchema.nullable() }),
  }),
  /** The register of a class as a CSV file. */
  exportRegister: call({
    method: 'GET',
    path: '/api/classes/[id]/register',
    id,
    asks: z.object({ from: dateSchema }),
    answers: file,
  }),
  ...MUSIC_CALLS,
  ...TAKE_AWAY_CALLS,
  /** Who comes to a session, as the register has it now. */
  readRoll: call({
    method: 'GET',
    path: '/api/sessions/[id]/roll',
    id,
    asks: nothing,
    answers: z.object({
      roll: z.array(rollEntrySchema),
      /**
       * What the session would be made ready from now, another word when the class or the room is another one; null
       * once it has begun.
       */
      basis: z.string().nullable(),
      /** The session as it stands on the calendar now: others move sessions and call them off. */
      session: z.object({
        className: z.string(),
        /** Epoch ms. */
        startsAt: z.number(),
        status: sessionStatusSchema,
      }),
    }),
  }),
  /** Who of the studio may be meant by a name, besides those on the roll of a session. */
  whoIsIt: call({
    method: 'GET',
    path: '/api/sessions/[id]/known',
    id,
    asks: z.object({ name: z.string().trim().min(1).max(80) }),
    answers: z.object({ people: z.array(z.object({ id, name: z.string(), shown: z.string() })) }),
  }),
  /** One of the insights as a CSV file. */
  exportInsight: call({
    method: 'GET',
    path: '/api/insights',
    asks: insightsAskedSchema.extend({ key: z.enum(INSIGHTS) }),
    answers: file,
  }),
  /** People as a CSV file: those whose ids are given, or all that a list shows. */
  exportPeople: call({
    method: 'GET',
    path: '/api/people',
    asks: z.looseObject({ ids: z.string().max(4000).optional() }),
    answers: file,
  }),
  /** How regular somebody is, told day by day. */
  readStreaks: call({
    method: 'GET',
    path: '/api/people/[id]/streaks',
    id,
    asks: nothing,
    answers: z.object({ name: z.string(), streaks: z.array(streakToldSchema) }),
  }),
  /** All that is held about somebody, as a JSON file. */
  exportPerson: call({
    method: 'GET',
    path: '/api/people/[id]/held',
    id,
    asks: nothing,
    answers: file,
  }),

  /** The door of a session, by which people come in to follow it, and who came in. */
  readDoor: call({
    method: 'GET',
    path: '/api/sessions/[id]/door',
    id,
    asks: nothing,
    answers: doorSchema,
  }),
  changeDoor: call({
    method: 'POST',
    path: '/api/sessions/[id]/door',
    id,
    asks: z.object({ shut: z.boolean(), takeHome: z.boolean().optional() }),
    answers: doorSchema,
  }),
  /** Refused as `not-found` where nobody like that follows. */
  turnAway: call({
    method: 'POST',
    path: '/api/sessions/[id]/followers',
    id,
    asks: z.object({ followerId: id }),
    answers: doorSchema,
  }),
  /** A question of whoever follows, to be found with those that were parked; stored once for each id. */
  askQuestion: call({
    method: 'POST',
    path: '/api/follow/questions',
    asks: z.object({
      question: z.string().trim().min(1).max(240),
      withName: z.boolean(),
      sentAs,
    }),
    answers: nothing,
  }),
  /** Practice that somebody did alone on their device, who shows the token of their own page; stored once by its id. */
  logAlone: call({
    method: 'POST',
    path: '/api/home/practice',
    asks: z.object({
      id,
      at: z.number().int().nonnegative(),
      seconds: z.number().int().min(1).max(MOST_PRACTISED_S),
    }),
    answers: nothing,
  }),
  /**
   * A class that somebody was given to do at home, as sound: in the version that nothing they carry is against, without
   * what they are to leave out. They show the token of their own page.
   */
  takeHomeSound: call({
    method: 'GET',
    path: '/api/home/classes/[id]/audio',
    id,
    asks: z.object({ as: z.enum(['mp3', 'wav']), ticket: z.uuid().optional() }),
    answers: file,
  }),
  /** How far the sound of a ticket is. They show the token of their own page. */
  lookAtHomeSound: call({
    method: 'GET',
    path: '/api/home/sounds/[id]',
    id,
    asks: nothing,
    answers: soundProgressSchema,
  }),
  /** A cue of the class that is followed, as a WAV file. Nothing else is said for a follower. */
  hearFollowed: call({
    method: 'GET',
    path: '/api/follow/speech',
    asks: z.object({ text: cueTextSchema, language: languageSchema, rate }),
    answers: file,
  }),

  listRecordings: call({
    method: 'GET',
    path: '/api/recordings',
    asks: nothing,
    answers: z.object({ recordings: z.array(recordingSchema) }),
  }),
  keepRecording: call({
    method: 'POST',
    path: '/api/recordings',
    asks: z.object({
      text: cueTextSchema,
      language: languageSchema,
      /** A WAV file in base64. */
      wav: z.base64().max(MOST_WAV),
    }),
    answers: z.object({ recording: recordingSchema }),
  }),
  /** A recording as a WAV file. */
  hearRecording: call({
    method: 'GET',
    path: '/api/recordings/[id]',
    id,
    asks: nothing,
    answers: file,
  }),
  removeRecording: call({
    method: 'DELETE',
    path: '/api/recordings/[id]',
    id,
    asks: nothing,
    answers: made,
  }),
} as const;
