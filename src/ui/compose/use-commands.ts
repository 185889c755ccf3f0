import { type RefObject, useLayoutEffect } from 'react';
import { toast } from 'sonner';
import { copiedSegments, copySegments } from '@/browser/clipboard';
import { groupSegments, pasteSegments } from '@/core/class';
import type { Book } from '@/core/score';
import type { ComposeActions } from './actions';
import { type Commanded, commandFor, commandsOf } from './commands';
import type { Editing } from './use-history';
import type { Selection } from './use-selection';

export interface UseCommands {
  editing: Editing;
  selection: Selection;
  actions: ComposeActions;
  book: Book;
  searchRef: RefObject<HTMLInputElement | null>;
  fit: () => void;
  rehearse: () => void;
}

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.matches('input, textarea, select, [contenteditable]');

/** What can be done with the selection, and the keys that do it. */
export function useCommands(of: UseCommands): Commanded {
  const { editing, selection, actions, book, searchRef, fit, rehearse } = of;
  const { newest, edit, settle, undo, redo } = editing;
  const { ids } = selection;
  const [first = ''] = ids;
  const copy = () => {
    const n = copySegments(newest(), ids);
    toast.success(
      `${n} copied. Ctrl V puts ${n === 1 ? 'it' : 'them'} into this class or another.`,
    );
  };
  const paste = () => {
    const copied = copiedSegments();
    if (copied.segments.length === 0) {
      toast.info('Nothing is copied yet. Select segments and press Ctrl C.');
      return;
    }
    const known = copied.segments.filter(
      ({ segment }) => book.move(segment.move) ?? copied.moves.find((m) => m.id === segment.move),
    );
    const brought = copied.moves.filter((m) => !book.move(m.id));
    edit((p) => {
      const carrying = brought.length ? { ...p, moves: [...(p.moves ?? []), ...brought] } : p;
      return pasteSegments(carrying, known, ids.at(-1));
    });
  };
  const commanded: Commanded = {
    selected: ids.length,
    undo,
    redo,
    copy,
    paste,
    remove: () => actions.remove(first),
    clear: () => selection.set([]),
    group: (order) => ids.length > 1 && edit((p) => groupSegments(p, ids, order)),
    search: () => {
      searchRef.current?.focus();
      searchRef.current?.select();
    },
    fit,
    rehearse,
  };
  // Keys work as soon as the class is to be seen.
  useLayoutEffect(() => {
    const commands = commandsOf(commanded);
    const keys = (event: KeyboardEvent) => {
      if (document.querySelector('dialog[open]')) return;
      const command = commandFor(commands, event, { inField: typing(event.target) });
      if (!command) return;
      // With all that was typed.
      settle();
      command.act();
      event.preventDefault();
    };
    window.addEventListener('keydown', keys);
    return () => window.removeEventListener('keydown', keys);
  });
  return commanded;
}
