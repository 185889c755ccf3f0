import { tz } from '@date-fns/tz';
import { format, startOfDay } from 'date-fns';

/** Time of day in a studio's time zone, as in "12:15". @param ms epoch ms */
export const timeOfDay = (ms: number, timeZone: string): string =>
  format(ms, 'HH:mm', { in: tz(timeZone) });

/** Day in a studio's time zone, as in "Tue 24 Nov". @param ms epoch ms */
export const dayLabel = (ms: number, timeZone: string): string =>
  format(ms, 'EEE d MMM', { in: tz(timeZone) });

/** Start of the day an instant falls on, in a studio's time zone, in epoch ms. */
export const dayStart = (ms: number, timeZone: string): number =>
  startOfDay(ms, { in: tz(timeZone) }).getTime();
