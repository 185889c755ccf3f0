// @vitest-environment happy-dom
import { expect, it, vi } from 'vitest';
import { onPress } from './presses';

it('hears a finger when it is lifted, which is when a browser lets the page be heard', () => {
  let isActive = false;
  const heard = vi.fn(() => isActive);
  const deaf = onPress(heard);
  window.dispatchEvent(new PointerEvent('pointerdown', { pointerType: 'touch' }));
  isActive = true;
  window.dispatchEvent(new PointerEvent('pointerup', { pointerType: 'touch' }));
  expect(heard).toHaveLastReturnedWith(true);
  heard.mockClear();
  for (const event of [
    new PointerEvent('pointerdown', { pointerType: 'mouse' }),
    new KeyboardEvent('keydown', { key: 'a' }),
  ]) {
    window.dispatchEvent(event);
    expect(heard).toHaveLastReturnedWith(true);
  }
  deaf();
  heard.mockClear();
  window.dispatchEvent(new PointerEvent('pointerup'));
  expect(heard).not.toHaveBeenCalled();
});
