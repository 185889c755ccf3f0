'use client';

import { lazy } from 'react';
import type { ComposeScreenProps } from './compose-screen';

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

/** Lets the browser answer what was touched meanwhile; a timer would have a page that is not in sight wait for seconds. */
const nextTask = () =>
  new Promise<void>((resolve) => {
    const { port1: here, port2: next } = new MessageChannel();
    here.onmessage = () => {
      here.close();
      resolve();
    };
    next.postMessage(null);
  });

const Begun = lazy(async () => {
  for (const begin of typeof window === 'undefined' ? [] : PIECES) {
    begin();
    await nextTask();
  }
  const { ComposeScreen } = require('./compose-screen') as typeof import('./compose-screen');
  return { default: ComposeScreen };
});

/**
 * Compose, with its code begun a piece at a time: all of it at once holds a slow phone for half a second, while the page
 * is already seen.
 */
export const ComposeInSteps = (props: ComposeScreenProps) => <Begun {...props} />;
