import { type ChildProcess, spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import path from 'node:path';
import { type BirpcReturn, createBirpc } from 'birpc';
import { log } from '../watch/log';
import type { Work } from './apart-process';
import { environment, type Speaks, Unspeakable } from './speaking';
import type { Voicing } from './voicing';

/**
 * Speech made in a small process of its own. To start a program holds the process that does it until its memory is
 * entered anew: 1 ms for a small one, 10 ms and more for a server, and levelling takes as long again. Meanwhile nobody's
 * class would hear of anything.
 */

/** So long is more than any text may take, in ms. */
const PATIENCE_MS = 30_000;

interface Beside {
  child: ChildProcess;
  does: BirpcReturn<Work, object>;
  /** Who waits for it hears why nothing comes any more. */
  gone: (why: unknown) => void;
}

export class Apart implements Voicing {
  private beside: Beside | null = null;
  private waiting = 0;

  /** The process is begun when it is first asked, and anew where it has ended. */
  private process(): Beside {
    if (this.beside && !this.beside.does.$closed) return this.beside;
    // Named by where it stands, since nothing of it is a part of what is built.
    const file = path.join(process.cwd(), 'src', 'server', 'speech', 'apart-process.ts');
    const child = spawn(process.execPath, ['--import', 'tsx', file], {
      env: environment(),
      stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
      serialization: 'advanced',
    });
    const gone = (why: unknown) => {
      if (!does.$closed) does.$close(new Error(`the process that speaks is gone: ${why}`));
    };
    const does = createBirpc<Work, object>(
      {},
      {
        post: (data) =>
          new Promise<void>((resolve, reject) => {
            child.send(data, (problem) => {
              if (!problem) return resolve();
              // It has ended, and that is only not known yet.
              gone(problem);
              reject(problem);
            });
          }),
        on: (hear) => child.on('message', hear),
        // Patience is had below, since whoever waits beside is to hear of it too.
        timeout: -1,
      },
    );
    child.once('exit', (code, signal) => gone(signal ?? code));
    child.once('error', gone);
    this.beside = { child, does, gone };
    if (this.waiting === 0) this.hold(false);
    return this.beside;
  }

  /** Whether this process stays for it: while somebody waits, and no longer. */
  private hold(holds: boolean): void {
    const { child } = this.beside ?? {};
    if (holds) {
      child?.ref();
      child?.channel?.ref();
    } else {
      child?.unref();
      child?.channel?.unref();
    }
  }

  /** Asks a process as long as it may take; one that does not answer then is ended. */
  private async inTime<Answer>(
    { child, does, gone }: Beside,
    what: (does: Beside['does']) => Promise<Answer>,
  ): Promise<Answer> {
    this.hold(true);
    const patience = setTimeout(() => {
      gone('it does not answer');
      child.kill('SIGKILL');
    }, PATIENCE_MS);
    try {
      return await what(does);
    } finally {
      clearTimeout(patience);
    }
  }

  private async ask<Answer>(
    what: (does: Beside['does']) => Promise<Answer>,
    signal?: AbortSignal,
  ): Promise<Answer> {
    this.waiting++;
    try {
      const beside = this.process();
      try {
        return await this.inTime(beside, what);
      } catch (problem) {
        if (!beside.does.$closed || signal?.aborted) throw problem;
        log().warn({ why: (problem as Error).message }, 'the process that speaks is begun anew');
        return await this.inTime(this.process(), what);
      }
    } finally {
      this.waiting--;
      if (this.waiting === 0) this.hold(false);
    }
  }

  readonly speaks: Speaks = (...asked) => this.spoken(asked, { levels: false });
  readonly says: Speaks = (...asked) => this.spoken(asked, { levels: true });

  private async spoken(
    [command, input, { signal, nice } = {}, kilobytes]: Parameters<Speaks>,
    { levels }: { levels: boolean },
  ): Promise<Buffer> {
    signal?.throwIfAborted();
    const id = randomUUID();
    const said = await this.ask(async (does) => {
      const stop = () => void does.stop.asEvent(id).catch(() => {});
      signal?.addEventListener('abort', stop);
      try {
        return await does.speak(id, command, input, { nice, kilobytes, levels });
      } finally {
        signal?.removeEventListener('abort', stop);
      }
    }, signal).catch((problem) => {
      signal?.throwIfAborted();
      throw problem;
    });
    signal?.throwIfAborted();
    // It is stopped for no other reason.
    if (said === 'stopped') throw new Error('speech was stopped and nobody asked for it');
    if ('wav' in said) return Buffer.from(said.wav);
    if ('unspeakable' in said) throw new Unspeakable(said.unspeakable);
    throw Object.assign(new Error(said.missing), { code: 'ENOENT' });
  }

  readonly level = async (wav: Buffer): Promise<Buffer> =>
    Buffer.from(await this.ask((does) => does.level(wav)));
}
