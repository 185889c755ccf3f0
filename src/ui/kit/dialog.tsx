'use client';

import { X } from 'lucide-react';
import { type ReactNode, useCallback, useEffect, useId, useRef, useState } from 'react';

export interface DialogProps {
  title: string;
  onClose: () => void;
  children: ReactNode;
  /** Buttons at the foot. */
  actions?: ReactNode;
  wide?: boolean;
  /** What its cross is called. */
  closes?: string;
  /** What is said of what was written and not sent, where the page is not in English or where something else is lost. */
  unsent?: Unsent;
  /** Whether something else than what is written is lost when it is closed. */
  unkept?: boolean;
}

export interface Unsent {
  says: string;
  goOn: string;
  lose: string;
}
const UNSENT: Unsent = {
  says: 'What you wrote was not sent, and is lost when this is closed.',
  goOn: 'Go on writing',
  lose: 'Close and lose it',
};

/** Where something of some length was written that was not sent: it differs from what its field began with. */
const writingIn = (dialog: HTMLDialogElement | null): HTMLTextAreaElement | undefined =>
  [...(dialog?.querySelectorAll('textarea') ?? [])].find(
    ({ value, defaultValue }) => value.trim() !== '' && value !== defaultValue,
  );

/**
 * A modal dialog. Escape and the cross close it; the focus goes back to where it came from. What would be lost with it is
 * asked about first.
 */
export function Dialog(props: DialogProps) {
  const { title, onClose, children, actions, wide, closes = 'Close', unsent = UNSENT } = props;
  const { unkept = false } = props;
  const ref = useRef<HTMLDialogElement>(null);
  const id = useId();
  const [asks, setAsks] = useState(false);
  const loses = useCallback(() => unkept || writingIn(ref.current) !== undefined, [unkept]);
  /** Where the focus was when it asked. */
  const at = useRef<Element | null>(null);
  const close = () => {
    if (asks || !loses()) return onClose();
    at.current = document.activeElement;
    setAsks(true);
  };
  const stay = () => {
    setAsks(false);
    const back = writingIn(ref.current) ?? at.current;
    if (back instanceof HTMLElement) back.focus();
  };
  useEffect(() => {
    const dialog = ref.current;
    const before = document.activeElement;
    dialog?.showModal();
    return () => {
      dialog?.close();
      if (before instanceof HTMLElement && before.isConnected) before.focus();
    };
  }, []);
  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (loses()) event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [loses]);
  return (
    <dialog
      ref={ref}
      aria-labelledby={id}
      className="modal"
      onCancel={(event) => {
        // A question that stands in it is shut by itself.
        if (event.target !== event.currentTarget) return;
        event.preventDefault();
        if (asks) stay();
        else close();
      }}
      onClose={(event) => {
        if (event.target !== event.currentTarget) return;
        // A browser lets itself be asked to wait once: at a second Escape it closes whatever happens.
        if (ref.current?.open) return;
        if (!loses()) return onClose();
        ref.current?.showModal();
        stay();
      }}
    >
      <div className={`modal-box max-h-[92vh] ${wide ? 'max-w-4xl' : 'max-w-2xl'}`}>
        <div className="flex items-start justify-between gap-4">
          <h2 id={id} className="text-2xl font-bold">
            {title}
          </h2>
          <button type="button" className="btn btn-ghost btn-sm btn-square" onClick={close}>
            <X size={20} aria-hidden />
            <span className="sr-only">{closes}</span>
          </button>
        </div>
        {asks && <AsksFirst words={unsent} stay={stay} close={onClose} />}
        <div className="mt-3">{children}</div>
        {actions && <div className="modal-action flex-wrap">{actions}</div>}
      </div>
    </dialog>
  );
}

interface AsksFirstProps {
  words: Unsent;
  stay: () => void;
  close: () => void;
}

function AsksFirst({ words, stay, close }: AsksFirstProps) {
  const first = useRef<HTMLButtonElement>(null);
  useEffect(() => first.current?.focus(), []);
  return (
    <div role="alert" className="border-accent mt-3 grid gap-2 border-l-4 pl-3">
      <p>{words.says}</p>
      <div className="flex flex-wrap gap-2">
        <button ref={first} type="button" className="btn btn-sm btn-primary" onClick={stay}>
          {words.goOn}
        </button>
        <button type="button" className="btn btn-sm btn-outline btn-error" onClick={close}>
          {words.lose}
        </button>
      </div>
    </div>
  );
}
