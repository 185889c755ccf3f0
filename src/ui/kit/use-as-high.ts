import { type RefObject, useLayoutEffect, useRef } from 'react';

function grow(text: HTMLTextAreaElement): void {
  text.style.height = 'auto';
  const border = text.offsetHeight - text.clientHeight;
  text.style.height = `${text.scrollHeight + border}px`;
}

/** Makes a text as high as what stands in it, where the browser does not do so by itself (`field-sizing`). */
export function useAsHigh(value: string): RefObject<HTMLTextAreaElement | null> {
  const ref = useRef<HTMLTextAreaElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what stands in it is read from the page.
  useLayoutEffect(() => {
    const text = ref.current;
    if (!text || CSS.supports('field-sizing', 'content')) return;
    grow(text);
    // Of another width it breaks into other lines.
    const watch = new ResizeObserver(() => grow(text));
    watch.observe(text);
    return () => watch.disconnect();
  }, [value]);
  return ref;
}
