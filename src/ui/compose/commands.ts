/** Something that a key does in Compose. */
export interface Command {
  /** As the browser names it, in lower case; with Control or the command key in front where it needs one. */
  keys: readonly string[];
  /** It works while something is typed as well. */
  inFields?: true;
  /** Whether it can be done now; always where nothing is said. */
  can?: () => boolean;
  act: () => void;
}

/** What the commands act on. */
export interface Commanded {
  /** How many segments are selected. */
  selected: number;
  undo: () => void;
  redo: () => void;
  copy: () => void;
  paste: () => void;
  remove: () => void;
  clear: () => void;
  group: (order: 'circuit' | 'alternating') => void;
  search: () => void;
  fit: () => void;
  rehearse: () => void;
}

/** Text of the page that is selected, which Ctrl C then means. What a field has selected is none of it. */
function pickedText(): string {
  const picked = getSelection();
  return picked?.rangeCount ? picked.getRangeAt(0).toString() : '';
}

/** Every key that Compose knows, but those of a line. */
export function commandsOf(on: Commanded): Command[] {
  const marked = () => on.selected > 0 && !pickedText();
  const several = () => on.selected > 1;
  return [
    { keys: ['ctrl z'], inFields: true, act: on.undo },
    { keys: ['ctrl shift z', 'ctrl y'], inFields: true, act: on.redo },
    { keys: ['ctrl c'], can: marked, act: on.copy },
    {
      keys: ['ctrl x'],
      can: marked,
      act: () => {
        on.copy();
        on.remove();
      },
    },
    { keys: ['ctrl v'], act: on.paste },
    { keys: ['/'], act: on.search },
    { keys: ['g'], can: several, act: () => on.group('circuit') },
    { keys: ['shift g'], can: several, act: () => on.group('alternating') },
    { keys: ['delete'], can: several, act: on.remove },
    { keys: ['escape'], act: on.clear },
    { keys: ['f'], act: on.fit },
    { keys: ['r'], act: on.rehearse },
  ];
}

type Pressed = Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'shiftKey' | 'altKey'>;

/** A key as commands name it. Signs such as "/" need a shift on some keyboards, so it does not count there. */
function nameOf({ key, ctrlKey, metaKey, shiftKey }: Pressed): string {
  const shift = shiftKey && /^[a-z]$/i.test(key);
  return [(ctrlKey || metaKey) && 'ctrl', shift && 'shift', key.toLowerCase()]
    .filter(Boolean)
    .join(' ');
}

/** The command that a key means now; nothing where it means none. */
export function commandFor(
  commands: readonly Command[],
  pressed: Pressed,
  { inField }: { inField: boolean },
): Command | undefined {
  if (pressed.altKey) return undefined;
  const name = nameOf(pressed);
  return commands.find(
    (c) => c.keys.includes(name) && (!inField || c.inFields) && (c.can?.() ?? true),
  );
}
