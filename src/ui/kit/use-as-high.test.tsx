// @vitest-environment happy-dom
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { useAsHigh } from './use-as-high';

const LINE = 20;
const COLUMNS = 30;

function Text({ words }: { words: string }) {
  return <textarea ref={useAsHigh(words)} readOnly value={words} />;
}
const height = () => screen.getByRole('textbox').style.height;

let doesSoItself = false;
beforeEach(() => {
  doesSoItself = false;
  vi.stubGlobal('CSS', { supports: () => doesSoItself });
  // As high as its lines, but never lower than it is.
  Object.defineProperty(HTMLTextAreaElement.prototype, 'scrollHeight', {
    configurable: true,
    get(this: HTMLTextAreaElement) {
      const lines = Math.max(1, Math.ceil(this.value.length / COLUMNS));
      return Math.max(lines * LINE, Number.parseFloat(this.style.height) || 0);
    },
  });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
  Reflect.deleteProperty(HTMLTextAreaElement.prototype, 'scrollHeight');
});

it('shows all lines of a cue, and no more of them than there are', () => {
  const { rerender } = render(<Text words={'a'.repeat(70)} />);
  expect(height()).toBe('60px');
  rerender(<Text words={'a'.repeat(100)} />);
  expect(height()).toBe('80px');
  rerender(<Text words="short" />);
  expect(height()).toBe('20px');
});

it('leaves it to browsers that do so themselves', () => {
  doesSoItself = true;
  render(<Text words={'a'.repeat(70)} />);
  expect(height()).toBe('');
});
