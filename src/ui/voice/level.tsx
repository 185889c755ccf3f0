import { useEffect, useRef } from 'react';
import type { Microphone } from '@/browser/microphone';
import { clock } from '@/core/formats';

/** How loud it is and for how long, while something is recorded. */
export function Level({
  microphone,
  on,
}: {
  microphone: React.RefObject<Microphone | null>;
  on: boolean;
}) {
  const bar = useRef<HTMLDivElement>(null);
  const time = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    if (!on) return;
    let frame = 0;
    const from = performance.now();
    const draw = () => {
      const level = microphone.current?.level() ?? 0;
      // Loudness is heard in steps of its power; -50 dB is the left end.
      const share = Math.max(0, 1 + (20 * Math.log10(Math.max(level, 1e-6))) / 50);
      if (bar.current) bar.current.style.transform = `scaleX(${Math.min(1, share)})`;
      if (time.current) time.current.textContent = clock(performance.now() - from);
      frame = requestAnimationFrame(draw);
    };
    draw();
    return () => {
      cancelAnimationFrame(frame);
      if (bar.current) bar.current.style.transform = 'scaleX(0)';
      if (time.current) time.current.textContent = '';
    };
  }, [on, microphone]);
  return (
    <div className="mt-2 flex items-center gap-3" aria-hidden>
      <div className="bg-base-200 h-3 flex-1 overflow-hidden rounded-full">
        <div
          ref={bar}
          className="own-colours bg-secondary h-full origin-left"
          style={{ transform: 'scaleX(0)' }}
        />
      </div>
      <span ref={time} data-testid="recorded" className="figures w-10 text-sm" />
    </div>
  );
}
