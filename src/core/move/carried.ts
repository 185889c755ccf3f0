import { AREAS } from './areas';
import { CAUTIONS, type CarriedCaution } from './cautions';

/**
 * Everything that some lists of cautions hold, each caution once and in their usual order. Where one of them holds for
 * the whole face, the caution does.
 */
export function allCarried(...lists: readonly (readonly CarriedCaution[])[]): CarriedCaution[] {
  const all = lists.flat();
  return CAUTIONS.flatMap((caution): CarriedCaution[] => {
    const of = all.filter((c) => c.caution === caution);
    if (of.length === 0) return [];
    if (of.some((c) => !c.areas)) return [{ caution }];
    return [{ caution, areas: AREAS.filter((area) => of.some((c) => c.areas?.includes(area))) }];
  });
}
