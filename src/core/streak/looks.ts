/** How a beat looks on a beat line. */
export const LOOKS = ['kept', 'late', 'missed', 'off', 'grain', 'to come'] as const;
export type Look = (typeof LOOKS)[number];
