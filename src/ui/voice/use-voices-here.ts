import { useEffect, useState } from 'react';
import { type VoiceHere, voicesHere } from '@/browser/device-voice';

/** The voices of this device; none until the browser has found them. */
export function useVoicesHere(): readonly VoiceHere[] {
  const [here, setHere] = useState<readonly VoiceHere[]>([]);
  useEffect(() => {
    let left = false;
    void voicesHere().then((found) => !left && setHere(found));
    return () => {
      left = true;
    };
  }, []);
  return here;
}
