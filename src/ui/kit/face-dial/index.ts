export { FaceDial, type FaceDialProps } from './face-dial';
