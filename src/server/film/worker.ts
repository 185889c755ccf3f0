import { Refusal, type RefusalCode } from '@/core/calls';
import { giveWay } from '../queue/threads';
import { makePart } from './part';
import type { FilmPart } from './parts';

giveWay();

/** Makes a part of a film in a thread of its own. @returns why not, where it is for a reason that can be told */
export default async function work(of: FilmPart): Promise<RefusalCode | null> {
  try {
    await makePart(of);
    return null;
  } catch (problem) {
    if (problem instanceof Refusal) return problem.code;
    throw problem;
  }
}
