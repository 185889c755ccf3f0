export { FaceDial, type FaceDialProps } from './face-dial';
export { Miniature } from './miniature';
export { MovingFace, type MovingFaceProps } from './moving-face';
export { pictureOfMove, picturesOfClass, savePictures } from './pictures';
export { useFacing } from './use-facing';
export { useTracks } from './use-tracks';
