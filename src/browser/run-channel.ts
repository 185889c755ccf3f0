import { z } from 'zod';
import { type NewRunEvent, newRunEventSchema } from '@/core/run';

const saidSchema = z.union([
  z.object({ events: z.array(z.looseObject({ id: z.string() })) }),
  z.object({ ask: z.literal(true) }),
]);

export interface RunChannel {
  /** Tells other windows what has happened, now and whenever one asks. Returns how to fall silent. */
  tell(events: readonly NewRunEvent[]): () => void;
  /** Hears what has happened from the window that leads. Returns how to stop. */
  hear(heard: (events: readonly NewRunEvent[]) => void): () => void;
}

/** How the windows of one browser tell each other of a run, without a server between them. */
export function runChannel(runId: string): RunChannel {
  const open = () => new BroadcastChannel(`upbeat-run-${runId}`);
  return {
    tell(events) {
      const channel = open();
      channel.postMessage({ events });
      channel.onmessage = ({ data }) => {
        const said = saidSchema.safeParse(data);
        if (said.success && 'ask' in said.data) channel.postMessage({ events });
      };
      return () => channel.close();
    },
    hear(heard) {
      const channel = open();
      channel.onmessage = ({ data }) => {
        const said = saidSchema.safeParse(data);
        if (!said.success || !('events' in said.data)) return;
        const parsed = said.data.events.flatMap(({ seq: _, ...event }) => {
          const known = newRunEventSchema.safeParse(event);
          return known.success ? [known.data] : [];
        });
        heard(parsed);
      };
      channel.postMessage({ ask: true });
      return () => channel.close();
    },
  };
}
