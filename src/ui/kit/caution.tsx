import { HeartHandshake } from 'lucide-react';

/** Shown with every class. */
export function GeneralCaution({ className = '' }: { className?: string }) {
  return (
    <p className={`quiet flex gap-2 text-sm ${className}`}>
      <HeartHandshake size={18} aria-hidden className="mt-0.5 shrink-0" />
      <span>
        This is gentle movement and self-massage, not medical care. Stop if anything hurts. Ask a
        licensed clinician first if you have a condition or had a procedure. Local rules on massage
        and health claims apply. Clean hands; glasses, earrings and hearing aids off.
      </span>
    </p>
  );
}
