'use client';

import clsx from 'clsx';
import type { LucideIcon } from 'lucide-react';
import type { ReactNode } from 'react';

export interface ControlButtonProps {
  icon: LucideIcon;
  /** The key that does the same. */
  keyName: string;
  strong?: boolean;
  onClick: () => void;
  children: ReactNode;
}

const ARIA_KEYS: Record<string, string> = { '←': 'ArrowLeft', '→': 'ArrowRight' };

/**
 * A large control of the stage, with its key on it. It gives the focus back after a press, so that
 * Space always pauses, whatever was pressed last.
 */
export function ControlButton({
  icon: Icon,
  keyName,
  strong,
  onClick,
  children,
}: ControlButtonProps) {
  return (
    <button
      type="button"
      aria-keyshortcuts={ARIA_KEYS[keyName] ?? keyName}
      onClick={(event) => {
        onClick();
        if (event.detail > 0) event.currentTarget.blur();
      }}
      className={clsx(
        'btn h-auto min-h-11 flex-col gap-0.5 px-3 sm:min-h-14 sm:px-4',
        strong ? 'btn-primary upbeat-on-accent' : 'btn-neutral',
      )}
    >
      <span className="flex items-center gap-2 text-sm sm:text-base">
        <Icon size={18} aria-hidden />
        {children}
      </span>
      <span className="key-cap max-sm:hidden" aria-hidden>
        {keyName}
      </span>
    </button>
  );
}
