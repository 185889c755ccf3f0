/** What may neither count nor break a streak. A cancelled meeting never does either. */
export const EXCUSES = ['excused', 'pause', 'holiday'] as const;
export type Excuse = (typeof EXCUSES)[number];

/** What a streak counts. */
export const PERS = ['meeting', 'week', 'day'] as const;
export type Per = (typeof PERS)[number];
