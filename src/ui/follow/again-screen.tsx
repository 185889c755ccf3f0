'use client';

import dynamic from 'next/dynamic';

/** All of it is on the device, so nothing of it is made by the server. */
const Again = dynamic(() => import('./again'), { ssr: false });

export function AgainScreen() {
  return <Again />;
}
