/** Most live streams of one teacher at this process. A class has a stage, a second screen and perhaps a phone. */
export const MOST_STREAMS = 20;

/** Counts the live streams that are open, by teacher. */
export class Streams {
  private readonly open = new Map<string, number>();

  isFull(teacherId: string): boolean {
    return (this.open.get(teacherId) ?? 0) >= MOST_STREAMS;
  }

  /** @returns what to call once when the stream is over */
  enter(teacherId: string): () => void {
    this.open.set(teacherId, (this.open.get(teacherId) ?? 0) + 1);
    return () => {
      const left = (this.open.get(teacherId) ?? 0) - 1;
      if (left > 0) this.open.set(teacherId, left);
      else this.open.delete(teacherId);
    };
  }
}

const shared = globalThis as { upBeatStreams?: Streams };

export function streams(): Streams {
  shared.upBeatStreams ??= new Streams();
  return shared.upBeatStreams;
}
