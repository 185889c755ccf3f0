import { HeartHandshake } from 'lucide-react';
import { CARE } from '@/core/follow/words/care-en';
import type { Language } from '@/core/language';

interface GeneralCautionProps {
  className?: string;
  /** It in the language of whoever reads it, where that may be another than the application's. */
  says?: string;
  language?: Language;
}

/** Shown with every class. */
export function GeneralCaution({ className = '', says = CARE, language }: GeneralCautionProps) {
  return (
    <p lang={language} className={`quiet flex gap-2 text-sm ${className}`}>
      <HeartHandshake size={18} aria-hidden className="mt-0.5 shrink-0" />
      <span>{says}</span>
    </p>
  );
}
