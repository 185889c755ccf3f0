import type { Db } from '../db';
import { found, type Scope } from '../scope';

/** Forgets a person, so that nothing that names them is left. */

/**
 * Erases somebody. That a person came to a session stays as a number; their name, what was noted of them and
 * letters to them go, out of the logs of sessions too, and their name out of the questions that were parked.
 * @throws Refusal `not-found`
 */
export async function erasePerson(db: Db, { studioId }: Scope, id: string): Promise<void> {
  await db.transaction(async (trx) => {
    const of = { studio_id: studioId };
    const row = await trx('participants')
      .where({ ...of, id })
      .forUpdate()
      .first('name', 'contact');
    const { name, contact } = found<{ name: string; contact: string | null }>(row, 'person');
    await trx.raw(
      `insert into nameless_marks (studio_id, session_id, mark, people)
        select a.studio_id, a.session_id, a.mark, 1 from attendance a
        join sessions s on s.id = a.session_id
        where a.participant_id = ? and a.studio_id = ? and s.status = 'held'
        on conflict (session_id, mark) do update set people = nameless_marks.people + 1`,
      [id, studioId],
    );
    const ids = [
      id,
      ...(await trx('former_people')
        .where({ ...of, now_id: id })
        .pluck('id')),
    ];
    await trx('run_events')
      .where(of)
      .where('type', 'walkedIn')
      .whereIn(trx.raw("data->>'participantId'") as unknown as string, ids)
      .update({ data: trx.raw(`data || '{"name": "Somebody"}'`) });
    await trx('run_events')
      .where(of)
      .where('type', 'corrected')
      .whereIn(trx.raw("data->>'participantId'") as unknown as string, ids)
      .update({ data: trx.raw(`data || '{"note": ""}'`) });
    // \\m and \\M are the edges of a word; the name itself is taken as it is.
    const word = `\\m${name.replace(/[^\p{L}\p{N}\s]/gu, '\\$&')}\\M`;
    await trx('run_events')
      .where({ ...of, type: 'parked' })
      .whereRaw("data->>'note' ~* ?", [word])
      .update({
        data: trx.raw(
          "jsonb_set(data, '{note}', to_jsonb(regexp_replace(data->>'note', ?, 'somebody', 'gi')))",
          [word],
        ),
      });
    if (contact) {
      // Who has the address together with them keeps the letters that are their own.
      const others = trx('participants').where(of).whereNot({ id });
      const shared = await others.whereRaw('lower(contact) = lower(?)', [contact]).first('id');
      await trx('letters')
        .where(of)
        .whereRaw('lower(recipient) = lower(?)', [contact])
        .modify((query) => shared && query.whereRaw("subject || ' ' || body ~* ?", [word]))
        .delete();
    }
    await trx('participants')
      .where({ ...of, id })
      .delete();
    for (const gone of ids) {
      await trx('former_people')
        .insert({ ...of, id: gone, now_id: null, at: trx.fn.now() })
        .onConflict(['studio_id', 'id'])
        .merge(['now_id']);
    }
  });
}
