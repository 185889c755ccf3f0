import { dequal } from 'dequal';
import { CALLS, Refusal } from '@/core/calls';
import { now as clock } from '@/server/clock';
import { db } from '@/server/db';
import { hub } from '@/server/live/hub';
import { MOST_STREAMS, streams } from '@/server/live/streams';
import { getLog, type RunLog } from '@/server/runs';
import { metrics } from '@/server/watch/metrics';
import { answering } from '../../../handle';

const HEARTBEAT_MS = 15_000;
/** How soon the browser asks again when the stream breaks, in ms. */
const RETRY_MS = 1000;

/** The log of a run as it grows, as server-sent events: what is new, who leads, and the time. */
export const GET = answering(
  CALLS.followLog,
  async ({ teacher, id, body, request, stillThere }) => {
    let after = Number(request.headers.get('last-event-id')) || body.after;
    // Before anything is sent: a run of another studio gets its refusal.
    const forScreen = body.screen !== undefined;
    await getLog(db(), teacher, id, { after, forScreen });
    if (streams().isFull(teacher.id)) {
      throw new Refusal('too-many-streams', String(MOST_STREAMS));
    }
    const encoder = new TextEncoder();
    let told: Pick<RunLog, 'leader' | 'made'> | undefined;
    let open = true;
    let stop = () => {};
    const stream = new ReadableStream<Uint8Array>({
      start(controller) {
        const end = () => {
          if (!open) return;
          open = false;
          stop();
          controller.close();
        };
        const send = (text: string) => {
          if (open) controller.enqueue(encoder.encode(text));
        };
        let last = Promise.resolve();
        const look = async () => {
          const log = await getLog(db(), teacher, id, { after, forScreen });
          // A sign-in that was ended hears nothing more, of what came after its end not even what was just read.
          if (!(await stillThere())) return end();
          const { leader, made } = log;
          if (log.events.length === 0 && dequal(told, { leader, made })) return;
          told = { leader, made };
          after = log.events.at(-1)?.seq ?? after;
          const data = JSON.stringify(CALLS.followLog.answers.parse({ ...log, now: clock() }));
          send(`id: ${after}\ndata: ${data}\n\n`);
        };
        const changed = () => {
          // Where the database is away the stream ends, and the browser asks again by itself.
          last = last.then(look).catch(end);
        };
        metrics().streams.inc();
        const left = streams().enter(teacher.id);
        const beat = setInterval(() => {
          last = last
            .then(async () => ((await stillThere()) ? send(': beat\n\n') : end()))
            .catch(end);
        }, HEARTBEAT_MS);
        const unlisten = hub().listen(id, changed);
        stop = () => {
          stop = () => {};
          clearInterval(beat);
          unlisten();
          left();
          metrics().streams.dec();
        };
        request.signal.addEventListener('abort', end);
        send(`retry: ${RETRY_MS}\n\n`);
        changed();
      },
      cancel() {
        open = false;
        stop();
      },
    });
    return new Response(stream, {
      headers: {
        'Content-Type': 'text/event-stream',
        'Cache-Control': 'no-store, no-transform',
        'X-Accel-Buffering': 'no',
      },
    });
  },
);
