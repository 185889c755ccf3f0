import { HeartHandshake } from 'lucide-react';
import type { Language } from '@/core/language';

interface GeneralCautionProps {
  className?: string;
  /** It in the language of whoever reads it, where that may be another than the application's. */
  says?: string;
  language?: Language;
}

/** Shown with every class. */
export function GeneralCaution({ className = '', says, language }: GeneralCautionProps) {
  return (
    <p lang={language} className={`quiet flex gap-2 text-sm ${className}`}>
      <HeartHandshake size={18} aria-hidden className="mt-0.5 shrink-0" />
      <span>
        {says ??
          'This is gentle movement and self-massage, not medical care. Stop if anything hurts. Ask a licensed clinician first if you have a condition or had a procedure. Local rules on massage and health claims apply. Clean hands; glasses, earrings and hearing aids off.'}
      </span>
    </p>
  );
}
