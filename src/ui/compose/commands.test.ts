import { beforeEach, expect, it, vi } from 'vitest';
import { type Commanded, commandFor, commandsOf } from './commands';

let done: string[] = [];
let picked = '';
beforeEach(() => {
  done = [];
  picked = '';
  vi.stubGlobal('getSelection', () => ({
    rangeCount: 1,
    getRangeAt: () => ({ toString: () => picked }),
  }));
});

function press(keys: string, { selected = 0, inField = false } = {}): string[] {
  const on = new Proxy({ selected } as Commanded, {
    get: (of, name) =>
      name === 'selected'
        ? of.selected
        : (...args: string[]) => done.push([name, ...args].join(' ')),
  });
  const parts = keys.split(' ');
  const pressed = {
    key: parts.at(-1) ?? '',
    ctrlKey: parts.includes('ctrl'),
    metaKey: parts.includes('meta'),
    shiftKey: parts.includes('shift'),
    altKey: parts.includes('alt'),
  };
  commandFor(commandsOf(on), pressed, { inField })?.act();
  return done.splice(0);
}

it('undoes and does again wherever the focus is, and nothing else while something is typed', () => {
  expect(press('ctrl z', { inField: true })).toEqual(['undo']);
  expect(press('meta shift Z', { inField: true })).toEqual(['redo']);
  expect(press('ctrl y')).toEqual(['redo']);
  for (const key of ['/', 'f', 'r', 'g', 'ctrl c', 'ctrl v', 'Escape', 'Delete']) {
    expect(press(key, { selected: 2, inField: true })).toEqual([]);
  }
});

it('copies and cuts segments, unless text of the page is selected', () => {
  expect(press('ctrl c', { selected: 1 })).toEqual(['copy']);
  expect(press('ctrl x', { selected: 1 })).toEqual(['copy', 'remove']);
  expect(press('ctrl c')).toEqual([]);
  picked = 'a sentence';
  expect(press('ctrl c', { selected: 1 })).toEqual([]);
});

it('groups and removes only where several are selected', () => {
  expect(press('g', { selected: 2 })).toEqual(['group circuit']);
  expect(press('shift G', { selected: 2 })).toEqual(['group alternating']);
  expect(press('Delete', { selected: 2 })).toEqual(['remove']);
  expect(press('g', { selected: 1 })).toEqual([]);
});

it('leaves the browser its own keys', () => {
  expect(press('ctrl f')).toEqual([]);
  expect(press('alt r')).toEqual([]);
  expect(press('shift /')).toEqual(['search']);
});
