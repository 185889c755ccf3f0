export { type Drafted, type DraftWish, draft, draftMoves } from './draft';
