import { useMemo, useState } from 'react';
import {
  type FollowSettings,
  keepCautions,
  keepSettings,
  readCautions,
  readersLanguage,
  readSettings,
} from '@/browser/follow/settings';
import { type FollowDocument, personal, scoreOf } from '@/core/follow';
import { wordsIn } from '@/core/follow/words';
import type { Caution } from '@/core/move';

export interface Choosing {
  settings: FollowSettings;
  change: (change: Partial<FollowSettings>) => void;
  cautions: readonly Caution[];
  setCautions: (cautions: readonly Caution[]) => void;
}

/** How somebody follows on this device, as they chose it before. */
export function useChoosing(): Choosing {
  // Only ever made in a browser. From the first moment on nothing is shown that their cautions are against.
  const [settings, setSettings] = useState(readSettings);
  const [cautions, setCautionsOnly] = useState<readonly Caution[]>(readCautions);
  return {
    settings,
    change: (change) => {
      const next = { ...settings, ...change };
      keepSettings(next);
      setSettings(next);
    },
    cautions,
    setCautions: (next) => {
      keepCautions(next);
      setCautionsOnly(next);
    },
  };
}

/** The class as this person follows it, or does it alone. */
export function useMine(
  document: FollowDocument | null,
  { settings, cautions }: Choosing,
  alone = false,
) {
  const language = readersLanguage(settings, document?.languages, document?.score.language);
  const { slower } = settings;
  const mine = useMemo(
    () => document && personal(document, { language, cautions, slower, alone }),
    [document, language, cautions, slower, alone],
  );
  const scores = useMemo(
    () =>
      document && {
        score: scoreOf(document.score),
        easier: document.easier && scoreOf(document.easier),
      },
    [document],
  );
  return { language, words: wordsIn(language), mine, scores };
}
