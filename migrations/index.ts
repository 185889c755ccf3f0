import type { Knex } from 'knex';
import * as start from './001-start';
import * as moves from './002-moves';
import * as compose from './003-compose';
import * as lead from './004-lead';
import * as voice from './005-voice';
import * as studio from './006-studio';
import * as calendar from './007-calendar';
import * as bookings from './008-bookings';
import * as register from './009-register';
import * as ownWords from './010-own-words';
import * as references from './011-references';
import * as signIns from './012-sign-ins';
import * as outlines from './013-outlines';
import * as follow from './014-follow';
import * as voices from './015-voices';
import * as sounds from './016-sounds';
import * as films from './017-films';
import * as music from './018-music';
import * as deviceVoices from './019-device-voices';
import * as placesAndMoves from './020-places-and-moves';
import * as errands from './021-errands';
import * as lettersAgain from './022-letters-again';
import * as putAway from './023-put-away';
import * as inLine from './024-in-line';
import * as scoresBefore from './025-scores-before';

const MIGRATIONS = [
  { name: '001-start', ...start },
  { name: '002-moves', ...moves },
  { name: '003-compose', ...compose },
  { name: '004-lead', ...lead },
  { name: '005-voice', ...voice },
  { name: '006-studio', ...studio },
  { name: '007-calendar', ...calendar },
  { name: '008-bookings', ...bookings },
  { name: '009-register', ...register },
  { name: '010-own-words', ...ownWords },
  { name: '011-references', ...references },
  { name: '012-sign-ins', ...signIns },
  { name: '013-outlines', ...outlines },
  { name: '014-follow', ...follow },
  { name: '015-voices', ...voices },
  { name: '016-sounds', ...sounds },
  { name: '017-films', ...films },
  { name: '018-music', ...music },
  { name: '019-device-voices', ...deviceVoices },
  { name: '020-places-and-moves', ...placesAndMoves },
  { name: '021-errands', ...errands },
  { name: '022-letters-again', ...lettersAgain },
  { name: '023-put-away', ...putAway },
  { name: '024-in-line', ...inLine },
  { name: '025-scores-before', ...scoresBefore },
];
type Migration = (typeof MIGRATIONS)[number];

/** Migrations are imported, not read from a folder, so that every bundler and runner sees the same list. */
export const migrationSource: Knex.MigrationSource<Migration> = {
  getMigrations: async () => MIGRATIONS,
  getMigrationName: (migration) => migration.name,
  getMigration: async (migration) => migration,
};
