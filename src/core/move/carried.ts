import { AREAS } from './areas';
import { CAUTIONS, type CarriedCaution, LOCAL_CAUTIONS } from './cautions';

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

/**
 * What is carried by what is ticked in a form: each caution by its name, and each place of it by the caution and the
 * place, as in "skin forehead".
 */
export const carriedTicked = (isTicked: (name: string) => boolean): CarriedCaution[] =>
  CAUTIONS.filter(isTicked).map((caution): CarriedCaution => {
    const areas = AREAS.filter((area) => isTicked(`${caution} ${area}`));
    return LOCAL_CAUTIONS.includes(caution) && areas.length > 0 ? { caution, areas } : { caution };
  });
