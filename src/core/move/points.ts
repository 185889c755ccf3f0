import { z } from 'zod';

/** Named places on the face that strokes run over. Where they come in pairs, the near one is meant. */
export const FACE_POINTS = [
  'crown',
  'backOfCrown',
  'hairline',
  'hairlineSide',
  'midForehead',
  'temple',
  'innerBrow',
  'midBrow',
  'outerBrow',
  'innerEye',
  'underEye',
  'outerEye',
  'noseBridge',
  'noseSide',
  'nostril',
  'cheekbone',
  'underCheekbone',
  'midCheek',
  'mouthCorner',
  'upperLip',
  'lowerLip',
  'chin',
  'jawMid',
  'jawAngle',
  'belowEar',
  'frontOfEar',
  'earTop',
  'earLobe',
  'sideNeck',
  'neckBase',
  'collarbone',
  'shoulder',
  'breastbone',
  'underChin',
  'frontNeck',
  'skullBase',
] as const;
export const facePointSchema = z.enum(FACE_POINTS);
export type FacePoint = z.infer<typeof facePointSchema>;

/** The way of a stroke or of a pull, from its first point to its last; both halves mirror it. */
export const strokeSchema = z.array(facePointSchema).min(2).max(8);
export type Stroke = z.infer<typeof strokeSchema>;
