import { useEffect, useState } from 'react';
import { type MeasuredVoice, measuredVoice } from '@/browser/device-lengths';
import { ofThoseHere } from '@/browser/device-voice';
import type { DeviceVoices, SaidWord } from '@/core/speech';

/** The voices of this device that were chosen and are here; null while there are none. */
export function useDeviceVoice(
  wanted: DeviceVoices,
  words: readonly SaidWord[],
): MeasuredVoice | null {
  const [device, setDevice] = useState<MeasuredVoice | null>(null);
  useEffect(() => {
    let left = false;
    let made: MeasuredVoice | null = null;
    void ofThoseHere(wanted).then((voices) => {
      if (left) return;
      made = Object.keys(voices).length > 0 ? measuredVoice(voices, words) : null;
      setDevice(made);
    });
    return () => {
      left = true;
      void made?.tell();
    };
  }, [wanted, words]);
  return device;
}
