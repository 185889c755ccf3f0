import { claims } from './claims';
import { numberWords } from './numbers';
import { speech } from './speech';
import { spelled } from './spelled';
import { words } from './words';

export const german = { name: 'German', words, claims, speech, numberWords, spelled } as const;
