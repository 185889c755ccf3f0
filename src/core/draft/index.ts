export { versionForAll } from './candidates';
export { draft, draftMoves } from './draft';
export type { Drafted, DraftFrom, DraftWish, NoDraft } from './wish';
