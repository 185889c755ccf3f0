import type { AreaWords } from '../shape';
import { body } from './body';
import { cheeksAndNose } from './cheeks-and-nose';
import { eyesAndBrow } from './eyes-and-brow';
import { jawAndMouth } from './jaw-and-mouth';
import { neck } from './neck';

export const words: AreaWords = {
  ...body,
  ...neck,
  ...jawAndMouth,
  ...cheeksAndNose,
  ...eyesAndBrow,
};
