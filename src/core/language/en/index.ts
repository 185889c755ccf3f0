import { claims } from './claims';
import { numberWords } from './numbers';
import { speech } from './speech';
import { spelled } from './spelled';
import { words } from './words';

export const english = { name: 'English', words, claims, speech, numberWords, spelled } as const;
