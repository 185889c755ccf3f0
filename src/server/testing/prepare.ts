import { makeTemplate } from './database';

/** Makes the migrated, empty database that the tests of the server copy. */
export const setup = (): Promise<void> => makeTemplate();
