'use client';

import { ArrowDown, ArrowUp, Copy, Repeat, Shuffle, Trash2, X } from 'lucide-react';
import { KeyButton } from './segment-settings';

export interface SelectionBarProps {
  count: number;
  onGroup: (order: 'circuit' | 'alternating') => void;
  onShift: (direction: -1 | 1) => void;
  onDuplicate: () => void;
  onCopy: () => void;
  onRemove: () => void;
  onClear: () => void;
}

/** What can be done with several segments at once. */
export function SelectionBar(props: SelectionBarProps) {
  return (
    <div
      role="toolbar"
      aria-label="Selected segments"
      className="bg-base-200 border-base-300 rounded-box sticky top-2 z-20 mb-2 flex flex-wrap items-center gap-2 border p-2"
    >
      <span className="px-1 font-medium">{props.count} selected</span>
      <KeyButton keys="G" onClick={() => props.onGroup('circuit')}>
        <Repeat size={16} aria-hidden /> As a circuit
      </KeyButton>
      <KeyButton keys="Shift G" onClick={() => props.onGroup('alternating')}>
        <Shuffle size={16} aria-hidden /> In turn
      </KeyButton>
      <KeyButton keys="Alt ↑" onClick={() => props.onShift(-1)}>
        <ArrowUp size={16} aria-hidden /> Earlier
      </KeyButton>
      <KeyButton keys="Alt ↓" onClick={() => props.onShift(1)}>
        <ArrowDown size={16} aria-hidden /> Later
      </KeyButton>
      <KeyButton keys="Ctrl D" onClick={props.onDuplicate}>
        <Copy size={16} aria-hidden /> Duplicate
      </KeyButton>
      <KeyButton keys="Ctrl C" onClick={props.onCopy}>
        Copy
      </KeyButton>
      <KeyButton keys="Del" onClick={props.onRemove}>
        <Trash2 size={16} aria-hidden /> Remove
      </KeyButton>
      <KeyButton keys="Esc" onClick={props.onClear}>
        <X size={16} aria-hidden /> Clear
      </KeyButton>
    </div>
  );
}
