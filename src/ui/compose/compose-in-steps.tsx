'use client';

import dynamic from 'next/dynamic';

/** What Compose is made of, in pieces of about one size. The last is Compose. */
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

/** Lets the browser answer what was touched meanwhile. */
const nextTask = () => new Promise<void>((resolve) => setTimeout(resolve));

/**
 * Compose, with its code begun a piece at a time: all of it at once holds a slow phone for half a second, while the page
 * is already seen.
 */
export const ComposeInSteps = dynamic(async () => {
  for (const begin of typeof window === 'undefined' ? [] : PIECES) {
    begin();
    await nextTask();
  }
  return (require('./compose-screen') as typeof import('./compose-screen')).ComposeScreen;
});
