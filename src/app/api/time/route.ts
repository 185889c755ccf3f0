import { CALLS } from '@/core/calls';
import { now } from '@/server/clock';
import { answering } from '../handle';

export const GET = answering(CALLS.tellTime, async ({ arrived }) => ({ arrived, now: now() }));
