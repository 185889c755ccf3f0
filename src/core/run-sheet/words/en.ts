import { PHASE_NAMES } from '../../class';
import { AREA_NAMES } from '../../move';
import type { SheetWords } from './words';

export const english: SheetWords = {
  amount: {
    side: { left: 'left', right: 'right', alternating: 'left and right in turn' },
    pace: '{seconds} s a time',
    after: ', then ',
  },
  phases: PHASE_NAMES,
  areas: AREA_NAMES,
  length: '{total} of {slot}',
  kit: 'Kit',
  cleanHands: 'clean hands',
  opening: 'Opening',
  questions: 'Time for questions',
  works: 'Works {areas}; upbeat {upbeat}',
  release: ', release {release}',
  end: 'End',
  page: '{name}, page {n} of {count}',
  pictures:
    'Seen as in a mirror: your left is on the left. Gentle, not medical care: stop if anything hurts.',
  carried: 'If somebody carries something',
  carriedHelp: 'What a clinician has told them goes first. If in doubt, leave it out.',
  effects: {
    leaveOut: 'Leave out:',
    easier: 'The easier version:',
    askFirst: 'Ask first:',
    feather: 'Only feather-light:',
    checkOil: 'Check the oil or cream:',
    handsFree: 'Let go without hands after:',
  },
  onThatPlace: 'Where hands come to that place:',
};
