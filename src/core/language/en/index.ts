import { claims } from './claims';
import { speech } from './speech';
import { words } from './words';

export const english = { name: 'English', words, claims, speech } as const;
