import { type AreaWords, withEasier } from '../shape';
import { body } from './body';
import { breath } from './breath';
import { cheeks } from './cheeks';
import { easier } from './easier';
import { eyes } from './eyes';
import { forehead } from './forehead';
import { jaw } from './jaw';
import { massage } from './massage';
import { mouth } from './mouth';
import { neck } from './neck';
import { nose } from './nose';
import { points } from './points';
import { scalp } from './scalp';

const usual: AreaWords = {
  ...breath,
  ...body,
  ...scalp,
  ...neck,
  ...jaw,
  ...mouth,
  ...cheeks,
  ...nose,
  ...eyes,
  ...forehead,
  ...massage,
  ...points,
};

export const words: AreaWords = withEasier(usual, easier);
