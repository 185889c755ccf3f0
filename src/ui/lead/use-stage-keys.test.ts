// @vitest-environment happy-dom
import { cleanup, renderHook } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { hearKeys, passKeysOn } from '@/browser/key-channel';
import { controlsOf, type Hands } from './controls';
import { useStageKeys } from './use-stage-keys';

afterEach(() => {
  cleanup();
  document.body.replaceChildren();
});

/** What was done on a stage. */
function stage(): string[] {
  const done: string[] = [];
  const hands: Hands = {
    add: ({ type }) => done.push(type),
    paused: false,
    grows: undefined,
    full: false,
    tell: () => {},
    catchUp: () => {},
    end: () => done.push('end'),
  };
  renderHook(() =>
    useStageKeys('one', controlsOf(hands), { u: () => done.push('undo') }, () => false),
  );
  return done;
}

/** Presses a key and holds it, as a browser tells it. @returns for each time whether the page took the key for itself */
const hold = (
  key: string,
  times: number,
  more: KeyboardEventInit = {},
  on: Element = document.body,
) =>
  Array.from({ length: times }, (_, i) => {
    const press = { key, repeat: i > 0, bubbles: true, cancelable: true, ...more };
    return !on.dispatchEvent(new KeyboardEvent('keydown', press));
  });

it('does once what a key means, however long it is held, and lets the page do nothing else by it', () => {
  const done = stage();
  expect(hold(' ', 5)).toEqual(Array(5).fill(true));
  expect(done).toEqual(['paused']);
  hold('ArrowRight', 40);
  hold('+', 3);
  hold('e', 2);
  hold('z', 4, { ctrlKey: true });
  expect(done).toEqual(['paused', 'next', 'extended', 'end', 'undo']);
  // A second press is meant.
  hold('ArrowRight', 1);
  expect(done.at(-1)).toBe('next');
});

it('stands still by the keys that remotes send to make a wall black', () => {
  const done = stage();
  for (const key of ['b', '.']) expect(hold(key, 1)).toEqual([true]);
  expect(done).toEqual(['paused', 'paused']);
});

it('leaves a button that has the focus to the browser, but not what repeats on it', () => {
  const done = stage();
  const button = document.body.appendChild(document.createElement('button'));
  expect(hold('Enter', 3, {}, button)).toEqual([false, true, true]);
  expect(hold('ArrowDown', 2)).toEqual([false, false]);
  expect(done).toEqual([]);
});

it('means the class by the key after a button was pressed with a mouse, and the button after a key', () => {
  const done = stage();
  const button = document.body.appendChild(document.createElement('button'));
  button.append(document.createElement('span'));
  const click = (detail: number) =>
    button.firstElementChild?.dispatchEvent(new MouseEvent('click', { detail, bubbles: true }));
  button.focus();
  click(0);
  expect(document.activeElement).toBe(button);
  hold(' ', 1, {}, document.activeElement as Element);
  expect(done).toEqual([]);
  click(1);
  expect(document.activeElement).toBe(document.body);
  hold(' ', 1, {}, document.activeElement as Element);
  expect(done).toEqual(['paused']);
});

it('is told to stand still from an empty field and from a slider, and by nothing that is typed or moved there', () => {
  const done = stage();
  const field = (type: string, value: string) => {
    const input = document.body.appendChild(document.createElement('input'));
    Object.assign(input, { type, value });
    return input;
  };
  for (const [input, key] of [
    [field('text', 'Ada'), ' '],
    [field('text', ''), 'g'],
    [field('range', '3'), 'ArrowRight'],
  ] as const)
    hold(key, 1, {}, input);
  expect(done).toEqual([]);
  hold(' ', 1, {}, field('text', ''));
  hold(' ', 1, {}, field('range', '3'));
  expect(done).toEqual(['paused', 'paused']);
  const slider = field('range', '3');
  slider.focus();
  slider.dispatchEvent(new MouseEvent('click', { detail: 1, bubbles: true }));
  expect(document.activeElement).toBe(document.body);
});

it('does what is pressed on the window that shows the class, and nothing of another session or where somebody is asked', async () => {
  const done = stage();
  const heard: string[] = [];
  const hear = hearKeys('one', (key) => heard.push(key));
  const stop = [passKeysOn('one'), passKeysOn('another'), hear];
  // Once by the page itself, and once by the window of this session.
  hold('ArrowRight', 1);
  await vi.waitFor(() => expect(done).toEqual(['next', 'next']));
  hold('n', 1);
  hold('x', 1);
  const dialog = document.body.appendChild(document.createElement('dialog'));
  dialog.open = true;
  hold('g', 1);
  await vi.waitFor(() => expect(heard.at(-1)).toBe('g'));
  dialog.remove();
  hold('ArrowLeft', 1);
  await vi.waitFor(() => expect(done).toEqual(['next', 'next', 'back', 'back']));
  for (const end of stop) end();
});
