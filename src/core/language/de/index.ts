import { claims } from './claims';
import { speech } from './speech';
import { words } from './words';

export const german = { name: 'German', words, claims, speech } as const;
