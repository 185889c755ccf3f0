'use client';

import { useState } from 'react';

export interface ChooseTextProps {
  /** What the file is called, and what kinds of it are taken. */
  file: string;
  accept: string;
  placeholder: string;
  /** What the button says. */
  submit: string;
  busy?: boolean;
  read: (text: string) => void;
}

/** Where a text comes from: a file, or lines that are pasted. */
export function ChooseText({ file, accept, placeholder, submit, busy, read }: ChooseTextProps) {
  const [text, setText] = useState('');
  return (
    <div className="grid gap-6 md:grid-cols-2">
      <label className="grid content-start gap-1">
        <span className="font-medium">{file}</span>
        <input
          type="file"
          accept={accept}
          className="file-input w-full"
          onChange={async (e) => {
            const chosen = e.target.files?.[0];
            if (chosen) read(await chosen.text());
          }}
        />
      </label>
      <form
        className="grid gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          read(text);
        }}
      >
        <label className="grid gap-1">
          <span className="font-medium">Or lines to paste</span>
          <textarea
            className="textarea w-full"
            rows={4}
            placeholder={placeholder}
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
        </label>
        <button type="submit" className="btn btn-outline justify-self-start" disabled={busy}>
          {submit}
        </button>
      </form>
    </div>
  );
}
