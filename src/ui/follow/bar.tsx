import { Ellipsis } from 'lucide-react';
import { memo, useRef } from 'react';
import type { FollowWords } from '@/core/follow/words';
import type { Language } from '@/core/language';
import type { Choosing } from './choosing';

/** What a language is called by those who speak it. */
const OWN_NAMES: Record<Language, string> = { en: 'English', de: 'Deutsch' };
/** A second press so soon is a slip of a wet finger, in ms. */
const SLIP_MS = 500;

export interface BarProps {
  words: FollowWords;
  languages: readonly Language[];
  language: Language;
  choosing: Choosing;
  setSheet: (sheet: 'cautions' | 'more') => void;
}

const TARGET = 'btn btn-neutral h-auto min-h-16 low:min-h-12 min-w-24 flex-1 text-base';

/** Three large targets; whatever is pressed by mistake does no harm. */
export const Bar = memo(function Bar(props: BarProps) {
  const { words, languages, language, choosing, setSheet } = props;
  const next = languages.find((l) => l !== language);
  const turned = useRef(Number.NEGATIVE_INFINITY);
  const turn = () => {
    const now = performance.now();
    if (now - turned.current < SLIP_MS) return;
    turned.current = now;
    if (next) choosing.change({ language: next });
  };
  return (
    <div className="flex flex-wrap low:pt-1 gap-2 pt-3">
      <button type="button" className={TARGET} onClick={() => setSheet('cautions')}>
        {words.easierForMe}
        {choosing.cautions.length > 0 && (
          <span className="figures text-accent">{choosing.cautions.length}</span>
        )}
      </button>
      {next && (
        <button type="button" className={TARGET} lang={next} onClick={turn}>
          {OWN_NAMES[next]}
        </button>
      )}
      <button
        type="button"
        className="btn btn-neutral low:h-12 h-16 w-16"
        onClick={() => setSheet('more')}
        aria-label={words.more}
      >
        <Ellipsis size={24} aria-hidden />
      </button>
    </div>
  );
});
