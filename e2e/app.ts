import { mkdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { connect, type Db } from '@/server/db';
import { bringBack, copyTemplate } from '@/server/testing/database';
import { startApp } from '../scripts/lib/app.mjs';
import { freePort } from '../scripts/lib/ports.mjs';

/** Noon on a Tuesday in the demo studio's time zone. */
export const NOON = Date.UTC(2026, 10, 24, 12);

/** What whoever watches the application knows. */
export const METRICS_TOKEN = 'watch the harbour';

/** What Node says of a program that does what it should not, or will not do for long. */
const WARNING = /^\(node:\d+\).*Warning:.*$/m;

const dataDir = process.env.UPBEAT_DATA_DIR ?? '.data/test';

/** The built application against a real database, with a clock that stands still until it is moved. */
export class App {
  readonly db: Db;
  private running: Awaited<ReturnType<typeof startApp>> = null;
  private readonly clockFile: string;
  private tests = 0;

  private constructor(
    readonly databaseUrl: string,
    private readonly port: number,
    slot: string,
  ) {
    this.db = connect(databaseUrl);
    this.clockFile = path.join(dataDir, `browser-clock-${slot}`);
  }

  /** Starts it on a copy of the database that `make-demo.ts` has made. */
  static async start(env: Record<string, string> = {}): Promise<App> {
    const slot = process.env.TEST_PARALLEL_INDEX ?? '0';
    const app = new App(await copyTemplate(slot), await freePort(), slot);
    mkdirSync(dataDir, { recursive: true });
    rmSync(app.logFile, { force: true });
    app.runClock(NOON);
    await app.up(env);
    return app;
  }

  /** Before a test: the demo studio at noon, whatever the tests before it have done. */
  async fresh(): Promise<void> {
    if (this.tests > 0) await bringBack(this.db, this.tests);
    this.tests++;
    this.runClock(NOON);
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** What it has told since it was started first. */
  private get logFile(): string {
    return `${this.clockFile}.log`;
  }

  log(): string {
    return readFileSync(this.logFile, 'utf8');
  }

  private get env(): Record<string, string> {
    return {
      DATABASE_URL: this.databaseUrl,
      UPBEAT_DATA_DIR: dataDir,
      UPBEAT_CLOCK_FILE: this.clockFile,
      UPBEAT_DEMO: '1',
      UPBEAT_LOG: 'info',
      UPBEAT_METRICS_TOKEN: METRICS_TOKEN,
    };
  }

  async up(env: Record<string, string> = {}): Promise<void> {
    const { logFile } = this;
    this.running = await startApp({ port: this.port, env: { ...this.env, ...env }, logFile });
    if (!this.running) throw new Error(`The application did not answer; see ${logFile}.`);
  }

  /** Starts another process beside this one, on the same database and clock. */
  async beside(
    env: Record<string, string> = {},
  ): Promise<{ url: string; stop: () => Promise<void>; log: () => string }> {
    const logFile = `${this.clockFile}.beside.log`;
    const port = await freePort();
    const made = await startApp({ port, env: { ...this.env, ...env }, logFile });
    if (!made) throw new Error(`The second process did not answer; see ${logFile}.`);
    const { size } = statSync(logFile);
    const log = () => readFileSync(logFile, 'utf8').slice(size);
    return { ...made, log };
  }

  /** Ends the server at once, as a crash would. */
  async kill(): Promise<void> {
    await this.running?.stop('SIGKILL');
  }

  /** Stops the server's clock at a time. */
  setClock(now: number): void {
    this.writeClock(String(now));
  }

  /** Lets the server's clock run on from a time, as a real one does. */
  runClock(from: number): void {
    this.writeClock(`${from}@${Date.now()}`);
  }

  /** In one move, so that the server never reads half a time. */
  private writeClock(text: string): void {
    const fresh = `${this.clockFile}.new`;
    writeFileSync(fresh, text);
    renameSync(fresh, this.clockFile);
  }

  async stop(): Promise<void> {
    await this.running?.stop('SIGTERM');
    await this.db.destroy();
    const warned = this.log().match(WARNING);
    if (warned) throw new Error(`The application was warned of something: ${warned[0]}`);
  }
}
