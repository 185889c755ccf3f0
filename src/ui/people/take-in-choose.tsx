import { useState } from 'react';

/** Where the list comes from: a file, or lines that are pasted. */
export function Choose({ read }: { read: (text: string) => void }) {
  const [text, setText] = useState('');
  return (
    <div className="grid gap-6 md:grid-cols-2">
      <label className="grid content-start gap-1">
        <span className="font-medium">A CSV file, as any spreadsheet writes it</span>
        <input
          type="file"
          accept=".csv,text/csv,text/plain"
          className="file-input w-full"
          onChange={async (e) => {
            const file = e.target.files?.[0];
            if (file) read(await file.text());
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
            placeholder={'Name, contact\nMarit, marit@example.org'}
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
        </label>
        <button type="submit" className="btn btn-outline justify-self-start">
          Look at it
        </button>
      </form>
    </div>
  );
}
