'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { FollowClock } from '@/browser/follow/follow-clock';
import { FOLLOW_PATHS, followLine, waitAfter } from '@/browser/follow/line';
import { type KeptClass, keepClass, keptClass } from '@/browser/follow/store';
import { roundTrip } from '@/browser/round-trip';
import type { FollowDocument, FollowNews } from '@/core/follow';
import type { Bend } from '@/core/run';

/** So often the time is asked for at first, one after the other. */
const ASKED_AT_FIRST = 8;
/** Then every so many ms, since a page that has just come is busy and knows it less well. */
const ASK_SOON_MS = 4000;
const ASKED_SOON = 8;
/** And from then on. */
const ASK_EVERY_MS = 30_000;

export interface Followed {
  clock: FollowClock;
  /** The server's time was found, or remembered. */
  timed: boolean;
  document: FollowDocument | null;
  /** Grows with every document. */
  made: number;
  events: readonly Bend[];
  connected: boolean;
  /** The teacher has closed the class. */
  ended: boolean;
  takeHome: boolean;
  /** This device follows no more. */
  gone: boolean;
  /** The device slept, or its time was set. */
  cameApart: () => void;
  /** How often the time was found, for whoever wants to know how well. */
  asked: number;
}

type Stands = Pick<KeptClass, 'made' | 'events' | 'ended' | 'takeHome'> & {
  document: FollowDocument | null;
};
const NOTHING: Stands = { made: 0, document: null, events: [], ended: false, takeHome: false };

/** The document of the class; null where it does not come just now. */
async function documentNow(): Promise<Pick<KeptClass, 'made' | 'document'> | null> {
  try {
    const response = await fetch(FOLLOW_PATHS.score, { cache: 'no-cache' });
    return response.ok ? await response.json() : null;
  } catch {
    return null;
  }
}

/** What a device knows of the class it follows: from the server, or as it was kept. */
export function useFollow(code: string): Followed {
  const clock = useMemo(() => new FollowClock(), []);
  const [stands, setStands] = useState(NOTHING);
  const [timed, setTimed] = useState(false);
  const [connected, setConnected] = useState(true);
  const [gone, setGone] = useState(false);
  const [asked, setAsked] = useState(0);
  const latest = useRef(stands);
  latest.current = stands;
  /** Which document the class has now. */
  const wanted = useRef(0);
  const fetching = useRef(false);
  /** Ends the wait before the document is asked for again. */
  const goOn = useRef(() => {});
  const left = useRef(false);

  const askTime = useCallback(
    async (times: number) => {
      try {
        for (let n = 0; n < times; n++) {
          const { answer, ...trip } = await roundTrip(
            FOLLOW_PATHS.time,
            () => clock.deviceNow(),
            async () => {
              const response = await fetch(FOLLOW_PATHS.time, { cache: 'no-store' });
              return (await response.json()) as { arrived: number; now: number };
            },
          );
          clock.take({ ...trip, arrived: answer.arrived, answered: answer.now });
          setTimed(true);
          setAsked((before) => before + 1);
        }
      } catch {
        // Without a connection the class goes on by what is known.
      }
    },
    [clock],
  );

  /** Fetches the document until it is the one that the class has now: nobody stands there without, or by an old one. */
  const fetchDocument = useCallback(async () => {
    goOn.current();
    if (fetching.current) return;
    fetching.current = true;
    const isNeeded = () => !left.current && ![0, latest.current.made].includes(wanted.current);
    for (let tries = 0; isNeeded(); tries++) {
      const sought = wanted.current;
      const got = await documentNow();
      if (got) {
        latest.current = { ...latest.current, ...got };
        setStands((before) => ({ ...before, ...got }));
        // It was made once more since the news of it.
        if (wanted.current === sought) wanted.current = got.made;
      } else {
        await new Promise<void>((resolve) => {
          const timer = setTimeout(resolve, waitAfter(tries, Math.random()));
          goOn.current = () => {
            clearTimeout(timer);
            resolve();
          };
        });
      }
    }
    fetching.current = false;
  }, []);

  const heard = useCallback(
    (news: FollowNews) => {
      setConnected(true);
      setStands((before) => {
        const known = new Set(before.events.map((e) => e.seq));
        const fresh = news.events.filter((e) => !known.has(e.seq));
        const events = fresh.length
          ? [...before.events, ...fresh].sort((a, b) => a.seq - b.seq)
          : before.events;
        return { ...before, events, ended: news.ended, takeHome: news.takeHome };
      });
      wanted.current = news.made;
      void fetchDocument();
    },
    [fetchDocument],
  );

  useEffect(() => {
    let stop = () => {};
    let over = false;
    left.current = false;
    void (async () => {
      const before = await keptClass(code).catch(() => undefined);
      if (over) return;
      if (before) {
        clock.recall(before.fromWallMs);
        setTimed(true);
        setStands(before);
        latest.current = before;
      }
      void askTime(ASKED_AT_FIRST);
      stop = followLine({
        after: () => latest.current.events.at(-1)?.seq ?? 0,
        heard,
        open: () => {
          setConnected(true);
          void askTime(1);
          void fetchDocument();
        },
        lost: () => setConnected(false),
        gone: () => {
          left.current = true;
          setGone(true);
        },
      });
    })();
    let timer: ReturnType<typeof setTimeout>;
    const askAgain = (soon: number) => {
      timer = setTimeout(
        () => {
          void askTime(1);
          askAgain(soon - 1);
        },
        soon > 0 ? ASK_SOON_MS : ASK_EVERY_MS,
      );
    };
    askAgain(ASKED_SOON);
    return () => {
      over = true;
      left.current = true;
      goOn.current();
      clearTimeout(timer);
      stop();
    };
  }, [code, clock, askTime, heard, fetchDocument]);

  useEffect(() => {
    const { document, ...rest } = stands;
    if (!document || !timed) return;
    void keepClass(code, { ...rest, document, fromWallMs: clock.fromWallMs, at: Date.now() }).catch(
      () => {
        // A device without room for it follows all the same; a reload needs the server then.
      },
    );
  }, [stands, timed, code, clock]);

  const cameApart = useCallback(() => void askTime(ASKED_AT_FIRST), [askTime]);

  return { clock, timed, ...stands, connected, gone, cameApart, asked };
}
