import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Errands } from '@/browser/errand';

/** Makes a copy of a class. @returns its id, or why there is none */
export type CopyClass = (asked: {
  id: string;
  errand: string;
}) => Promise<{ id: string } | { refused: string }>;

/** Makes a copy of a class, once however often it is sent, and goes there. @returns why there is none, if so */
export function useCopy(copy: CopyClass): (id: string) => Promise<string | null> {
  const router = useRouter();
  const [errands] = useState(() => new Errands());
  return async (id) => {
    const made = await errands.send(id, (errand) => copy({ id, errand }));
    if ('refused' in made) return made.refused;
    router.push(`/classes/${made.id}`);
    return null;
  };
}
