'use client';

import { useState } from 'react';
import { MOST_TEXT_BYTES, textOfFile } from '@/core/text-file';

export interface ChooseTextProps {
  /** What the file is called, and what kinds of it are taken. */
  file: string;
  accept: string;
  placeholder: string;
  /** What the button says. */
  submit: string;
  busy?: boolean;
  read: (text: string) => void;
  /** Says what is wrong with a file. */
  tell: (problem: string) => void;
}

/** Where a text comes from: a file, or lines that are pasted. */
export function ChooseText({
  file,
  accept,
  placeholder,
  submit,
  busy,
  read,
  tell,
}: ChooseTextProps) {
  const [text, setText] = useState('');
  const [guessed, setGuessed] = useState(false);
  const take = async (chosen: File) => {
    setGuessed(false);
    if (chosen.size > MOST_TEXT_BYTES) return tell('This file is too large to be a list.');
    const found = textOfFile(new Uint8Array(await chosen.arrayBuffer()));
    if (!found.ok) return tell(found.problem);
    setGuessed(found.guessed);
    read(found.text);
  };
  return (
    <div className="grid gap-6 md:grid-cols-2">
      <div className="grid content-start gap-2">
        <label className="grid gap-1">
          <span className="font-medium">{file}</span>
          <input
            type="file"
            accept={accept}
            className="file-input w-full"
            // The same file, changed meanwhile, can be chosen again.
            onClick={(e) => {
              e.currentTarget.value = '';
            }}
            onChange={(e) => {
              const chosen = e.target.files?.[0];
              if (chosen) void take(chosen);
            }}
          />
        </label>
        {guessed && (
          <p role="status" className="text-sm font-medium">
            This file does not say how its letters are written. They were read as in western Europe:
            look at names with accents, or save it as CSV in UTF-8.
          </p>
        )}
      </div>
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
