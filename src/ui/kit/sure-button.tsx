'use client';

import { type ReactNode, useRef, useState } from 'react';
import { Dialog } from './dialog';

interface SureButtonProps {
  className: string;
  /** What it is called, where its content does not say so. */
  label?: string;
  children: ReactNode;
  disabled?: boolean;
  /** The question. */
  title: string;
  /** What goes with it. */
  says: string;
  /** What the second press says. */
  yes: string;
  /** What is done then; without it the form that it stands in is sent, with what it says of itself. */
  onSure?: () => void;
  name?: string;
  value?: string;
}

/** A press that forgets something for good, and asks first. */
export function SureButton(props: SureButtonProps) {
  const { className, label, children, disabled, title, says, yes, onSure, name, value } = props;
  const [asks, setAsks] = useState(false);
  const sends = useRef<HTMLButtonElement>(null);
  const sure = () => {
    setAsks(false);
    if (onSure) onSure();
    else sends.current?.click();
  };
  return (
    <>
      <button
        type="button"
        className={className}
        aria-label={label}
        disabled={disabled}
        onClick={() => setAsks(true)}
      >
        {children}
      </button>
      {!onSure && <button ref={sends} type="submit" name={name} value={value} hidden />}
      {asks && (
        <Dialog
          title={title}
          onClose={() => setAsks(false)}
          actions={
            <>
              <button type="button" className="btn btn-primary" onClick={() => setAsks(false)}>
                No, go back
              </button>
              <button type="button" className="btn btn-outline btn-error" onClick={sure}>
                {yes}
              </button>
            </>
          }
        >
          <p>{says}</p>
        </Dialog>
      )}
    </>
  );
}
