'use client';

import { useLoaded } from '../kit/use-loaded';

/** All of it is on the device, so nothing of it is made by the server. */
const load = () => import('./again');

export function AgainScreen() {
  const Again = useLoaded(load);
  return Again && <Again />;
}
