export { versionForAll } from './candidates';
export { draft, draftMoves } from './draft';
export type { Drafted, DraftWish, NoDraft } from './wish';
