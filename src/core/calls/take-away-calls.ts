import { z } from 'zod';
import { PHASES } from '../class';
import { filmOptionsSchema, filmSchema } from '../film';
import { languageSchema } from '../move';
import { AUDIO_FORMATS, soundProgressSchema, WORD_FORMATS } from '../take-away';
import { call, file, made, nothing, sentAs, yesOrNo } from './call';

const id = z.uuid();
/** With the easier version of every move that has one. */
const easier = yesOrNo.default('no');
/** With the music that is played under it, where it has some. */
const music = yesOrNo.default('no');
/** As somebody of the studio may do it, by what they carry. */
const person = z.uuid().optional();
/** By which whoever asks can look how far it is. */
const ticket = z.uuid().optional();
const film = z.object({ film: filmSchema });

/** What a class is taken away by: files, and films that are made meanwhile. */
export const TAKE_AWAY_CALLS = {
  /** The sound of a class as a file, made when its turn comes. */
  takeSound: call({
    method: 'GET',
    path: '/api/classes/[id]/audio',
    id,
    asks: z.object({
      as: z.enum(AUDIO_FORMATS),
      counts: yesOrNo,
      music,
      easier,
      person,
      /** One phase alone. */
      phase: z.enum(PHASES).optional(),
      ticket,
    }),
    answers: file,
  }),
  /** How far the sound of a ticket is, in a file of its own or with all of a class. */
  lookAtSound: call({
    method: 'GET',
    path: '/api/sounds/[id]',
    id,
    asks: nothing,
    answers: soundProgressSchema,
  }),
  /** Both, in all languages, with the plan, as a ZIP file. */
  takePack: call({
    method: 'GET',
    path: '/api/classes/[id]/pack',
    id,
    asks: z.object({ counts: yesOrNo, music, easier, person, ticket }),
    answers: file,
  }),
  /** The run sheet of a class, as a PDF file. */
  takeSheet: call({
    method: 'GET',
    path: '/api/classes/[id]/sheet',
    id,
    asks: z.object({ easier, person }),
    answers: file,
  }),
  /** All that is said in a class, in one of its languages, as a file. */
  takeWords: call({
    method: 'GET',
    path: '/api/classes/[id]/words',
    id,
    asks: z.object({
      as: z.enum(WORD_FORMATS),
      counts: yesOrNo,
      easier,
      person,
      language: languageSchema,
    }),
    answers: file,
  }),
  /** The films that the teacher has of a class. */
  listFilms: call({
    method: 'GET',
    path: '/api/classes/[id]/films',
    id,
    asks: nothing,
    answers: z.object({ films: z.array(filmSchema) }),
  }),
  /** Orders a film of a class, once for each id; it is made meanwhile. */
  orderFilm: call({
    method: 'POST',
    path: '/api/classes/[id]/films',
    id,
    asks: filmOptionsSchema.extend({ sentAs }),
    answers: film,
  }),
  /** Stops a film that is under way, or goes on with one that was stopped or failed. */
  changeFilm: call({
    method: 'POST',
    path: '/api/films/[id]',
    id,
    asks: z.object({ does: z.enum(['stop', 'goOn']) }),
    answers: film,
  }),
  removeFilm: call({
    method: 'DELETE',
    path: '/api/films/[id]',
    id,
    asks: nothing,
    answers: made,
  }),
  /** The file of a film that is done. */
  takeFilm: call({
    method: 'GET',
    path: '/api/films/[id]',
    id,
    asks: nothing,
    answers: file,
  }),
} as const;
