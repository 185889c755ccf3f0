import { z } from 'zod';
import { AREAS } from './areas';
import { MUSCLES, type Muscle } from './muscles';
import { FACE_POINTS } from './points';
import { RELEASES } from './releases';
import { KINDS, SIDES, VARIANTS } from './traits';

// Apart from the names themselves, so that a page which only shows them need not be able to check them.

export const areaSchema = z.enum(AREAS);
export const facePointSchema = z.enum(FACE_POINTS);
export const strokeSchema = z.array(facePointSchema).min(2).max(8);
export const muscleSchema = z.enum(MUSCLES as [Muscle, ...Muscle[]], {
  error: 'must be a muscle by its anatomical name, such as "zygomaticus major"',
});
export const releaseSchema = z.enum(RELEASES);
export const kindSchema = z.enum(KINDS);
export const sidesSchema = z.enum(SIDES);
export const variantSchema = z.enum(VARIANTS);
