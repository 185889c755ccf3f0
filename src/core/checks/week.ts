import { type Checked, type Finding, lookAt } from './check';
import { cappedUses, overTheCap } from './kit';

/** A move that somebody did in another session of the same week. */
export interface DoneAlready {
  participantId: string;
  moveId: string;
}

/**
 * Moves with a cap a week that people of this session have done so often already, in whatever class, that
 * this session would be too much for them. The rule of the class alone cannot see that.
 * @param done one entry a person, move and session of the week, this session not among them
 */
export function doneThisWeek(checked: Checked, done: readonly DoneAlready[]): Finding[] {
  const look = lookAt(checked);
  return [...cappedUses(look)].flatMap(([moveId, segments]): Finding[] => {
    const move = look.moves.get(moveId);
    if (!move) return [];
    const over = look.people.filter(({ id }) => {
      const before = done.filter((d) => d.participantId === id && d.moveId === moveId).length;
      return before > 0 && before + 1 > (move.weeklyCap ?? 7);
    });
    if (over.length === 0) return [];
    const who = over.length === 1 ? '1 person' : `${over.length} people`;
    const says = `${who} did it this week already`;
    const people = over.map((p) => p.name);
    const found = overTheCap(look, { key: 'done-this-week', says, move, segments });
    return [{ check: 'done-this-week', severity: 'must', ...found, people }];
  });
}
