import { useEffect, useState } from 'react';
import { Assistant } from '@/browser/assistant';

const start = () =>
  new Worker(new URL('./assistant.worker.ts', import.meta.url), { type: 'module' });

/** An assistant that lives as long as the page that asks it. */
export function useAssistant(): Assistant {
  const [assistant] = useState(() => new Assistant(start));
  useEffect(() => () => assistant.close(), [assistant]);
  return assistant;
}
