'use client';

import { useLoaded } from '../kit/use-loaded';
import { ComeIn } from './come-in';
import type { FollowScreenProps } from './types';

/** The class itself is fetched while somebody types their name, so that the door is there at once. */
const loadInside = () => import('./inside');

/** What a device shows that follows a class, from the door to the end. */
export function FollowScreen(props: FollowScreenProps) {
  const Inside = useLoaded(loadInside);
  if (!props.inside) return <ComeIn {...props} />;
  return Inside ? <Inside {...props} /> : <Coming />;
}

function Coming() {
  return (
    <main
      data-theme="upbeat-night"
      className="bg-base-100 grid min-h-dvh place-content-center"
      aria-busy="true"
    >
      <span className="loading loading-dots" aria-hidden />
    </main>
  );
}
