'use client';

import { CircleCheck, Play, RotateCcw } from 'lucide-react';
import { PressForm } from '../kit/press-form';

/** A session that was begun and left, as a teacher reads it. */
export interface Left {
  sessionId: string;
  className: string;
  /** When it was to begin, in the studio's time zone. */
  planned: string;
  /** Since when it stands. */
  since: string;
  how: 'paused' | 'over';
  /** What closing it makes of those who have no mark. */
  unmarked: string | null;
}

type Act = (form: FormData) => Promise<void>;

export interface LeftActions {
  goOn: Act;
  close: Act;
  anew: Act;
}

const HOW = {
  paused: 'It has stood paused since',
  over: 'Its last move ended',
};

/** Where those without a mark get it. */
const MARK_THEM = {
  paused: 'Go on here to mark them first.',
  over: 'The register takes their marks after.',
};

/** A session that was begun and never closed, with the three things that can become of it. */
export function LeftStanding({ left, actions }: { left: Left; actions: LeftActions }) {
  const { sessionId, className, planned, since, how, unmarked } = left;
  return (
    <PressForm
      act={async (form) => actions[form.get('does') as keyof LeftActions](form)}
      className="border-accent rounded-box border border-l-4 p-4"
      label={`Left standing: ${className}, ${planned}`}
    >
      <input type="hidden" name="sessionId" value={sessionId} />
      <p className="text-lg font-semibold">
        {className}, {planned}, was begun and never closed.
      </p>
      <p className="quiet mt-1">
        {HOW[how]} {since}. Until it is closed nobody has their mark for it.
      </p>
      {unmarked && (
        <p className="mt-1 font-medium">
          {unmarked} {MARK_THEM[how]}
        </p>
      )}
      <div className="mt-3 flex flex-wrap gap-2">
        {how === 'paused' && (
          <button type="submit" name="does" value="goOn" className="btn btn-outline">
            <Play size={18} aria-hidden /> Go on here
          </button>
        )}
        <button type="submit" name="does" value="close" className="btn btn-outline">
          <CircleCheck size={18} aria-hidden /> Close it as it was
        </button>
        <button type="submit" name="does" value="anew" className="btn btn-ghost">
          <RotateCcw size={18} aria-hidden /> Begin a new one
        </button>
      </div>
    </PressForm>
  );
}
