// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { RUNS } from '@testing/arbitrary';
import fc from 'fast-check';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { AloneClock } from './alone-clock';
import { FollowClock } from './follow-clock';
import { waitAfter } from './line';
import {
  hasForgotten,
  homeOf,
  keepCautions,
  keepHome,
  keepSettings,
  readCautions,
  readersLanguage,
  readSettings,
  tickCautions,
  USUAL,
} from './settings';
import { dropClass, type KeptClass, keepClass, keptClass, keptClasses } from './store';

beforeEach(() => {
  localStorage.clear();
  sessionStorage.clear();
});

describe('the clock of a device that follows', () => {
  /** A device with clocks that are moved by hand, and a server that is so far from it. */
  const made = (offset: number) => {
    const at = { device: 1000, wall: 5_000_000 };
    const clock = new FollowClock(
      () => at.device,
      () => at.wall,
    );
    const pass = (ms: number) => {
      at.device += ms;
      at.wall += ms;
    };
    const ask = (thereMs: number, backMs: number, more = 0) => {
      const sentAt = at.device;
      pass(thereMs);
      const arrived = at.device + offset + more;
      pass(backMs);
      clock.take({ sentAt, arrived, answered: arrived, receivedAt: at.device });
    };
    return { at, clock, pass, ask };
  };

  it('goes by the first answer at once, and by better ones smoothly', () => {
    const { clock, pass, ask, at } = made(10_000);
    expect([clock.isKnown, clock.known]).toEqual([false, null]);
    ask(300, 100);
    expect(clock.now() - at.device).toBe(10_100);
    expect(clock.known?.errorMs).toBeCloseTo(201, 0);
    ask(10, 10);
    const first = clock.now() - at.device;
    expect(first).toBeGreaterThan(10_090);
    pass(2000);
    expect(clock.now() - at.device).toBe(10_000);
    expect(clock.lagMs).toBe(0);
  });

  it('never runs backwards, whatever the network does', () => {
    const trips = fc.array(
      fc.tuple(fc.nat({ max: 500 }), fc.nat({ max: 500 }), fc.nat({ max: 3000 })),
    );
    fc.assert(
      fc.property(trips, (all) => {
        const { clock, pass, ask } = made(-7000);
        let last = Number.NEGATIVE_INFINITY;
        ask(0, 0);
        for (const [there, back, rest] of all) {
          ask(there, back);
          for (let ms = 0; ms <= rest; ms += 250) {
            pass(250);
            const now = clock.now();
            expect(now).toBeGreaterThanOrEqual(last);
            last = now;
          }
        }
      }),
      { numRuns: RUNS / 4 },
    );
  });

  it('is right at once after the device has slept, before anybody was asked', () => {
    const { clock, pass, ask, at } = made(500);
    ask(0, 0);
    pass(1000);
    const before = clock.now();
    // The even clock stood still meanwhile.
    at.wall += 60_000;
    expect(clock.cameApart()).toBe(true);
    expect(clock.now() - before).toBe(60_000);
    expect(clock.cameApart()).toBe(false);
    expect(clock.known).toBeNull();
  });

  it('goes on from what was known, where the server cannot be asked', () => {
    const { clock, at } = made(0);
    clock.recall(1234);
    expect([clock.isKnown, clock.now()]).toEqual([true, at.wall + 1234]);
  });
});

it('somebody alone has a clock that runs as fast as they like, and never jumps', () => {
  let device = 100;
  const clock = new AloneClock(() => device, 50_000);
  device += 1000;
  expect(clock.now()).toBe(51_000);
  clock.tempo = 0.8;
  expect([clock.now(), clock.tempo]).toEqual([51_000, 0.8]);
  device += 1000;
  expect(clock.now()).toBe(51_800);
  clock.tempo = 1;
  device += 1000;
  expect([clock.now(), clock.cameApart()]).toEqual([52_800, false]);
  // The device sleeps for an hour: nobody does the class meanwhile.
  clock.tempo = 0.8;
  device += 3_600_000;
  expect([clock.cameApart(), clock.cameApart(), clock.now()]).toEqual([true, false, 52_800]);
  device += 1000;
  expect([clock.now(), clock.cameApart()]).toEqual([53_600, false]);
});

it('a line that broke comes back later each time, by chance, so that not all come at once', () => {
  for (let tries = 0; tries < 30; tries++) {
    const usual = Math.min(15_000, 500 * 2 ** tries);
    expect(waitAfter(tries, 0)).toBe(usual / 2);
    expect(waitAfter(tries, 0.9999)).toBeLessThanOrEqual(usual * 1.5);
  }
  const waits = Array.from({ length: 500 }, () => waitAfter(2, Math.random()));
  const bySecond = waits.filter((ms) => ms < 1500).length;
  // Of those who all lost their line at once, no more than about a quarter is back in the same half second.
  expect(bySecond).toBeLessThan(250);
});

describe('what somebody chose', () => {
  it('stays on the device, and what is none of it is not believed', () => {
    expect(readSettings()).toEqual(USUAL);
    keepSettings({ ...USUAL, larger: true, volume: 0.5, language: 'de' });
    expect(readSettings()).toEqual({ ...USUAL, larger: true, volume: 0.5, language: 'de' });
    for (const odd of ['', '{', 'null', '[]', '{"volume":"loud","larger":1,"evil":true}']) {
      localStorage.setItem('upbeat-follow', odd);
      expect([odd, readSettings()]).toEqual([odd, USUAL]);
    }
  });

  it('says in which language, else the device does, where that is one of some', () => {
    const speaks = (...languages: string[]) =>
      vi.spyOn(navigator, 'languages', 'get').mockReturnValue(languages);
    speaks('fr-FR', 'de-AT', 'en-GB');
    expect(readersLanguage(USUAL)).toBe('de');
    expect(readersLanguage({ language: 'en' })).toBe('en');
    expect(readersLanguage(USUAL, ['en'], 'en')).toBe('en');
    speaks('fr-FR');
    expect(readersLanguage(USUAL, ['en', 'de'], 'de')).toBe('de');
    expect(readersLanguage(USUAL)).toBe('en');
    // Not by how it begins alone.
    speaks('den-CA');
    expect(readersLanguage(USUAL, ['en', 'de'], 'en')).toBe('en');
    vi.restoreAllMocks();
  });

  it('keeps cautions in the tab alone', () => {
    keepCautions(['jaw', 'skin']);
    expect(readCautions()).toEqual(['jaw', 'skin']);
    expect(JSON.stringify({ ...localStorage })).not.toContain('jaw');
    sessionStorage.setItem('upbeat-follow-cautions', '["jaw","being sued"]');
    expect(readCautions()).toEqual(['jaw']);
    sessionStorage.setItem('upbeat-follow-cautions', '{"jaw":true}');
    expect(readCautions()).toEqual([]);
  });

  it('are asked for again where they were ticked and are forgotten, and not where they were unticked', () => {
    localStorage.clear();
    expect(hasForgotten()).toBe(false);
    keepCautions(['jaw']);
    expect(hasForgotten()).toBe(false);
    sessionStorage.clear();
    expect(hasForgotten()).toBe(true);
    keepCautions([]);
    expect(hasForgotten()).toBe(false);
  });

  it('are ticked where somebody told them to their teacher, and none is unticked by that', () => {
    keepCautions(['skin']);
    tickCautions(['jaw', 'skin']);
    expect(readCautions()).toEqual(['jaw', 'skin']);
    tickCautions([]);
    expect(readCautions()).toEqual(['jaw', 'skin']);
  });
});

it('knows the page of whoever came in by it, and leads nowhere else', () => {
  expect(homeOf()).toBeNull();
  keepHome('/home/a-token_1');
  expect(homeOf()).toBe('/home/a-token_1');
  for (const odd of ['//evil.example', '/home/../studio', 'javascript:alert(1)', '/home/']) {
    keepHome(odd);
    expect([odd, homeOf()]).toEqual([odd, null]);
  }
});

it('a device keeps the classes it followed last, and no more than a dozen', async () => {
  const kept = (at: number) => ({ made: 1, events: [], at }) as unknown as KeptClass;
  for (let n = 0; n < 15; n++) await keepClass(`CODE${n}`, kept(1000 + n));
  expect((await keptClasses()).map((c) => c.code)).toEqual(
    Array.from({ length: 12 }, (_, n) => `CODE${14 - n}`),
  );
  await dropClass('CODE14');
  expect([await keptClass('CODE14'), (await keptClass('CODE13'))?.at]).toEqual([undefined, 1013]);
  vi.restoreAllMocks();
});
