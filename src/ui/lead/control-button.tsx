'use client';

import clsx from 'clsx';
import { memo } from 'react';
import type { Control } from './controls';

const ARIA_KEYS: Record<string, string> = { '←': 'ArrowLeft', '→': 'ArrowRight' };

/**
 * A control of the stage, with its key on it. It gives the focus back after a press, so that Space
 * always pauses, whatever was pressed last.
 */
export const ControlButton = memo(function ControlButton({ control }: { control: Control }) {
  const { icon: Icon, keyName, label, large, strong, act } = control;
  return (
    <button
      type="button"
      aria-keyshortcuts={ARIA_KEYS[keyName] ?? keyName}
      onClick={(event) => {
        act();
        if (event.detail > 0) event.currentTarget.blur();
      }}
      className={clsx(
        'btn gap-1.5',
        large && 'max-xl:px-2',
        large ? 'h-auto min-h-11 px-2.5 text-sm xl:text-base' : 'btn-sm px-2',
        strong ? 'btn-primary upbeat-on-accent' : 'btn-neutral',
      )}
    >
      <Icon
        size={large ? 18 : 15}
        aria-hidden
        className={clsx(large && !strong && 'max-xl:hidden')}
      />
      {label}
      <span className="key-cap max-sm:hidden" aria-hidden>
        {keyName}
      </span>
    </button>
  );
});
