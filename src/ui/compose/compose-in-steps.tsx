'use client';

import { lazy } from 'react';
import { inSlices } from '@/browser/in-slices';
import type { ComposeScreenProps } from './compose-screen';

/** What Compose is made of, in pieces of about one size. */
const PIECES = [
  () => require('@/core/move/dose-table'),
  () => require('@/core/move/move'),
  () => require('@/core/class/plan'),
  () => require('@/core/run/events'),
  () => require('@/core/calls/answers'),
  () => require('@/core/calls/calls'),
  () => require('@/core/checks'),
  () => require('./drag-and-drop'),
  () => require('./compose-dialogs'),
  () => require('./use-commands'),
];

type Module = typeof import('./compose-screen');

/** Begins one piece at each step, and Compose with the last. */
function* beginning(): Generator<unknown, Module> {
  for (const begin of PIECES) yield begin();
  return require('./compose-screen');
}

/** Lets the browser answer between the pieces what was touched meanwhile. A server has nobody who touches anything. */
const begun = async (): Promise<Module> =>
  typeof window === 'undefined'
    ? require('./compose-screen')
    : new Promise((resolve) => inSlices(beginning(), (end) => resolve((async () => end())())));

const Begun = lazy(async () => ({ default: (await begun()).ComposeScreen }));

/**
 * Compose, with its code begun a piece at a time: all of it at once holds a slow phone for half a second, while the page
 * is already seen.
 */
export const ComposeInSteps = (props: ComposeScreenProps) => <Begun {...props} />;
