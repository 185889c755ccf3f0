import { eventId } from '@testing/plans';
import { describe, expect, it } from 'vitest';
import { NO_NOTES, noted, onRoll, type Present, type RoomEvent } from '.';

const ada: Present = { participantId: eventId(1), name: 'Ada', booked: true, attendance: null };
const event = (n: number, what: object): RoomEvent =>
  ({ id: eventId(100 + n), at: 1000 * n, ...what }) as RoomEvent;
const rollAfter = (...events: object[]) =>
  events.reduce<readonly Present[]>(
    (roll, what, i) => onRoll(roll, event(i + 1, what), (p) => p),
    [ada],
  );
const of = { participantId: ada.participantId };

describe('the roll', () => {
  it('marks, takes a mark back, and lets somebody leave and come back', () => {
    expect(rollAfter({ type: 'marked', ...of, mark: 'late' })[0]?.attendance).toEqual({
      mark: 'late',
      arrivedAt: 1000,
      leftAt: null,
    });
    const left = rollAfter(
      { type: 'marked', ...of, mark: 'here' },
      { type: 'left', ...of, gone: true },
    );
    expect(left[0]?.attendance?.leftAt).toBe(2000);
    const back = rollAfter(
      { type: 'marked', ...of, mark: 'here' },
      { type: 'left', ...of, gone: true },
      { type: 'left', ...of, gone: false },
    );
    expect(back[0]?.attendance?.leftAt).toBeNull();
    expect(rollAfter({ type: 'marked', ...of, mark: null })[0]?.attendance).toBeNull();
  });

  it('takes in somebody who walked in, once', () => {
    const walk = { type: 'walkedIn', participantId: eventId(2), name: 'Ben' };
    expect(rollAfter(walk, walk).map((p) => [p.name, p.booked, p.attendance?.arrivedAt])).toEqual([
      ['Ada', true, undefined],
      ['Ben', false, 1000],
    ]);
  });

  it('has nobody leave who was not there', () => {
    expect(rollAfter({ type: 'left', ...of, gone: true })[0]?.attendance).toBeNull();
  });
});

describe('notes', () => {
  it('are kept until they are struck out', () => {
    const events = [
      event(1, { type: 'corrected', ...of, moveId: 'soft-jaw-drop', note: 'tongue down' }),
      event(2, { type: 'parked', note: 'How often at home?' }),
      event(3, { type: 'felt', felt: 4 }),
    ];
    const notes = events.reduce(noted, NO_NOTES);
    expect(notes.corrections.map((c) => c.note)).toEqual(['tongue down']);
    expect(notes.parked.map((q) => q.note)).toEqual(['How often at home?']);
    expect(notes.felt).toBe(4);
    const struck = noted(notes, event(4, { type: 'struck', of: eventId(101) }));
    expect([struck.corrections.length, struck.parked.length]).toEqual([0, 1]);
  });
});
