'use client';

import { X } from 'lucide-react';
import { type ReactNode, useEffect, useId, useRef } from 'react';

export interface DialogProps {
  title: string;
  onClose: () => void;
  children: ReactNode;
  /** Buttons at the foot. */
  actions?: ReactNode;
  wide?: boolean;
  /** What its cross is called. */
  closes?: string;
}

/** A modal dialog. Escape and the cross close it; the focus goes back to where it came from. */
export function Dialog(props: DialogProps) {
  const { title, onClose, children, actions, wide, closes = 'Close' } = props;
  const ref = useRef<HTMLDialogElement>(null);
  const id = useId();
  useEffect(() => {
    const dialog = ref.current;
    const before = document.activeElement;
    dialog?.showModal();
    return () => {
      dialog?.close();
      if (before instanceof HTMLElement && before.isConnected) before.focus();
    };
  }, []);
  return (
    <dialog
      ref={ref}
      aria-labelledby={id}
      className="modal"
      onCancel={(event) => {
        event.preventDefault();
        onClose();
      }}
    >
      <div className={`modal-box max-h-[92vh] ${wide ? 'max-w-4xl' : 'max-w-2xl'}`}>
        <div className="flex items-start justify-between gap-4">
          <h2 id={id} className="text-2xl font-bold">
            {title}
          </h2>
          <button type="button" className="btn btn-ghost btn-sm btn-square" onClick={onClose}>
            <X size={20} aria-hidden />
            <span className="sr-only">{closes}</span>
          </button>
        </div>
        <div className="mt-3">{children}</div>
        {actions && <div className="modal-action flex-wrap">{actions}</div>}
      </div>
    </dialog>
  );
}
