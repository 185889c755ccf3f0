export { FaceDial, type FaceDialProps } from './face-dial';
export { MovingFace, useReducedMotion } from './moving-face';
