'use client';

import { Volume2 } from 'lucide-react';
import { useRef } from 'react';
import { toast } from 'sonner';
import { hear } from '@/browser/hear';
import type { Language } from '@/core/language';

/** Lets one cue be heard as it will be spoken in class. */
export function HearButton({ text, language }: { text: string; language: Language }) {
  const stop = useRef<() => void>(() => {});
  return (
    <button
      type="button"
      className="btn btn-ghost btn-sm btn-square shrink-0"
      aria-label={`Hear: ${text}`}
      onClick={async () => {
        stop.current();
        const heard = await hear({ text, language, wordsPerMinute: 150 });
        if (heard) stop.current = heard;
        else toast.error('Neither the server nor this browser has a voice to speak it with.');
      }}
    >
      <Volume2 size={16} aria-hidden />
    </button>
  );
}
