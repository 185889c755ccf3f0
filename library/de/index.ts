import type { AreaWords } from '../shape';
import body from './body.json';
import breath from './breath.json';
import cheeks from './cheeks.json';
import eyes from './eyes.json';
import forehead from './forehead.json';
import jaw from './jaw.json';
import massage from './massage.json';
import mouth from './mouth.json';
import neck from './neck.json';
import nose from './nose.json';
import points from './points.json';
import scalp from './scalp.json';

export const words: AreaWords = {
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
