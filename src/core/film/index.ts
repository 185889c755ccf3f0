export { coverSvg } from './cover';
export {
  type Box,
  FACE_MARK,
  type Font,
  faceBox,
  faceSvg,
  type Letters,
  linesOf,
  MARKED,
  STEP_MARK,
  STEP_MARKS,
  type Still,
  stillKey,
  stillSvg,
} from './frame';
export * from './options';
export * from './scene';
