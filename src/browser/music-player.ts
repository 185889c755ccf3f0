import {
  asFactor,
  CROSS_MS,
  crossMs,
  DUCK_MS,
  ducking,
  FADE_IN_MS,
  FADE_OUT_MS,
  type LevelPoint,
  levelAt,
  type MusicId,
  placeIn,
  present,
  type Spoken,
  type TimedPiece,
  USUAL_UNDER_DB,
} from '@/core/music';
import type { Mixer } from './mixer';

/** What is to be played now: a playlist, and how long it has been played, in ms. */
export interface MusicWanted {
  playlist: readonly MusicId[];
  intoMs: number;
}

/** What plays one file at a time, one after another. */
interface Deck {
  element: HTMLAudioElement;
  source: MediaElementAudioSourceNode;
  isFree: boolean;
}

interface Playing {
  piece: TimedPiece;
  index: number;
  deck: Deck;
  address: string;
  /** How it comes, and how it goes. */
  up: GainNode;
  down: GainNode;
}

/** So many points a fade is drawn by. */
const FADE_POINTS = 32;
/** A fade in equal power, so that two pieces that cross are as loud as one. */
const fade = (from: number, to: number) =>
  Float32Array.from({ length: FADE_POINTS + 1 }, (_, i) =>
    Math.sin((Math.PI / 2) * (from + ((to - from) * i) / FADE_POINTS)),
  );
/** When nothing of a playlist could be fetched, it is tried again after so many ms. */
const AGAIN_MS = 5000;
/** Pieces that play at once, where one passes into the next. */
const AT_ONCE = 2;
/** Levels that differ by less are the same, in dB. */
const SAME_DB = 0.1;

/** Thrown where a piece cannot be had now; the server or the connection is away. */
class NotNow extends Error {}

/** Whether a piece cannot be played for a reason that may pass: it is not to be had, or the browser refuses it. */
const mayPass = (problem: unknown): boolean =>
  problem instanceof NotNow || problem instanceof DOMException;

/**
 * Plays music under a class: one playlist after another, each piece into the next, softer while somebody speaks. It
 * is told again and again what is to be played; what is played already goes on.
 */
export class MusicPlayer {
  private shelf = new Map<string, TimedPiece>();
  private readonly files = new Map<string, Promise<Blob | null>>();
  private readonly decks: Deck[] = [];
  private playing: Playing | null = null;
  private wanted = '';
  /** Counts what was begun, so that an answer that comes late is known. */
  private begun = 0;
  /** When what could not be played is tried again, on the steady clock; null where nothing is to be. */
  private again: number | null = null;
  private way: LevelPoint[] = [];
  private told = '';
  private duckGain: GainNode | null = null;
  private levelGain: GainNode | null = null;
  private level = 1;
  /** How far under the voice it is while somebody speaks, in LU. */
  underDb: number = USUAL_UNDER_DB;
  /** Is told that what is wanted cannot be played now, and that it is played again. */
  onSilent: (silent: boolean) => void = () => {};

  constructor(
    private readonly mixer: Mixer,
    private readonly urlOf: (id: MusicId) => string,
  ) {}

  /** The pieces that there are. */
  set pieces(all: readonly TimedPiece[]) {
    this.shelf = new Map(all.map((piece) => [piece.id, piece]));
  }

  /** How loud it is beside the voice, 0 to 1. */
  get volume(): number {
    return this.level;
  }

  set volume(value: number) {
    this.level = Math.max(0, Math.min(1, value));
    if (this.levelGain) this.levelGain.gain.value = this.level;
  }

  /** Fetches pieces, so that they are there when their time comes and the server is away. */
  fetchAll(ids: readonly MusicId[]): void {
    for (const id of ids) void this.file(id);
  }

  /**
   * Must be called from a press: telephones let a deck begin by itself only after it has begun in a press. What could
   * not be played before is tried at once.
   */
  unlock(): void {
    while (this.decks.length < AT_ONCE) this.decks.push(this.newDeck());
    for (const { element, isFree } of this.decks) {
      if (!isFree) continue;
      // It has nothing to play, and is broken off by the pause: to have been asked is all that counts.
      element.play().catch(() => {});
      element.pause();
    }
    if (this.again !== null) this.again = performance.now();
  }

  /** @param wanted null for silence */
  follow(wanted: MusicWanted | null): void {
    const list = wanted ? present(wanted.playlist, this.shelf) : [];
    const key = list.map(({ id }) => id).join();
    if (key !== this.wanted) {
      this.wanted = key;
      this.begun++;
      this.again = null;
      this.fadeOut(FADE_OUT_MS);
      if (wanted && list.length > 0) {
        const { index, offsetMs } = placeIn(list, wanted.intoMs);
        void this.begin(list, index, { offsetMs, fadeMs: FADE_IN_MS });
      }
      return;
    }
    const { playing } = this;
    if (!playing) {
      if (!wanted || list.length === 0 || this.again === null || performance.now() < this.again) {
        return;
      }
      this.again = null;
      const { index, offsetMs } = placeIn(list, wanted.intoMs);
      void this.begin(list, index, { offsetMs, fadeMs: FADE_IN_MS });
      return;
    }
    const { piece, index } = playing;
    const { element } = playing.deck;
    const next = list[(index + 1) % list.length];
    if (!next) return;
    const cross = crossMs(piece, next);
    const leftMs = piece.ms - 1000 * element.currentTime;
    if (leftMs > cross) {
      if (element.paused) this.beginAgain(playing);
      return;
    }
    this.begun++;
    this.fadeOut(Math.max(0, leftMs));
    void this.begin(list, (index + 1) % list.length, { offsetMs: 0, fadeMs: cross });
  }

  /** The device took the sound away, as for a call, and does not give it back by itself. */
  private beginAgain(playing: Playing): void {
    this.end(playing);
    this.playing = null;
    this.again = performance.now();
  }

  /** Falls silent, for a pause. */
  rest(): void {
    this.follow(null);
  }

  /** Makes it step back while something is said. @param spoken on the audio clock, in ms */
  duck(spoken: readonly Spoken[]): void {
    const { ways } = this.mixer;
    if (!ways || !this.duckGain) return;
    const points = ducking(spoken, this.underDb);
    const key = `${this.underDb} ${points.map((p) => Math.round(p.atMs / 20)).join()}`;
    if (key === this.told) return;
    this.told = key;
    const nowMs = 1000 * ways.context.currentTime;
    const is = levelAt(this.way, nowMs, this.underDb);
    const ought = levelAt(points, nowMs, this.underDb);
    // Where it is not where it ought to be, it goes there as quickly as it steps back.
    const meets = Math.abs(is - ought) < SAME_DB ? nowMs : nowMs + DUCK_MS;
    const ahead = points.filter(({ atMs }) => atMs > meets);
    this.way = [
      { atMs: nowMs, db: is },
      ...(meets > nowMs ? [{ atMs: meets, db: levelAt(points, meets, this.underDb) }] : []),
      ...ahead,
    ];
    const { gain } = this.duckGain;
    gain.cancelScheduledValues(nowMs / 1000);
    gain.setValueAtTime(asFactor(is), nowMs / 1000);
    for (const { atMs, db } of this.way.slice(1)) {
      gain.exponentialRampToValueAtTime(asFactor(db), atMs / 1000);
    }
  }

  close(): void {
    this.begun++;
    this.wanted = '';
    if (this.playing) this.end(this.playing);
    this.playing = null;
    this.files.clear();
  }

  /** The way of all music: how far it steps back, then how loud it is. */
  private out(): { context: AudioContext; to: AudioNode } {
    const { context, all } = this.mixer.open();
    if (!this.duckGain) {
      const db = levelAt([], 0, this.underDb);
      this.duckGain = new GainNode(context, { gain: asFactor(db) });
      this.levelGain = new GainNode(context, { gain: this.level });
      this.duckGain.connect(this.levelGain).connect(all);
    }
    return { context, to: this.duckGain };
  }

  /** A piece as a file; null where the server has none. One that could not be had is asked for again. */
  private file(id: MusicId): Promise<Blob | null> {
    const known = this.files.get(id);
    if (known) return known;
    const file = fetched(this.urlOf(id));
    this.files.set(id, file);
    file.catch(() => this.files.delete(id));
    return file;
  }

  /** Begins a piece, or the next one that can be had. */
  private async begin(
    list: readonly TimedPiece[],
    index: number,
    { offsetMs, fadeMs }: { offsetMs: number; fadeMs: number },
  ): Promise<void> {
    const { begun } = this;
    for (let tried = 0; tried < list.length; tried++) {
      const at = (index + tried) % list.length;
      const piece = list[at] as TimedPiece;
      try {
        const file = await this.file(piece.id);
        if (begun !== this.begun) return;
        if (!file) continue;
        const playing = this.opened(piece, at, file);
        const { element } = playing.deck;
        element.currentTime = tried === 0 ? offsetMs / 1000 : 0;
        const { context } = this.out();
        playing.up.gain.setValueCurveAtTime(fade(0, 1), context.currentTime, fadeMs / 1000);
        this.playing = playing;
        await element.play();
        this.onSilent(false);
        return;
      } catch (problem) {
        // Another one of the list can perhaps be played.
        if (!mayPass(problem)) throw problem;
        if (begun !== this.begun) return;
        if (this.playing) this.end(this.playing);
        this.playing = null;
      }
    }
    this.again = performance.now() + AGAIN_MS;
    this.onSilent(true);
  }

  private newDeck(): Deck {
    const { context } = this.mixer.open();
    const element = new Audio();
    return { element, source: context.createMediaElementSource(element), isFree: true };
  }

  private freeDeck(): Deck {
    const free = this.decks.find(({ isFree }) => isFree);
    if (free) return free;
    const made = this.newDeck();
    this.decks.push(made);
    return made;
  }

  private opened(piece: TimedPiece, index: number, file: Blob): Playing {
    const { context, to } = this.out();
    const address = URL.createObjectURL(file);
    const deck = this.freeDeck();
    deck.isFree = false;
    deck.element.src = address;
    const up = new GainNode(context, { gain: 0 });
    const down = new GainNode(context);
    deck.source.connect(up).connect(down).connect(to);
    return { piece, index, deck, address, up, down };
  }

  /** Lets what is played become softer and softer, and then end. */
  private fadeOut(ms: number): void {
    const { playing } = this;
    this.playing = null;
    if (!playing) return;
    const seconds = Math.max(0.05, Math.min(ms, Math.max(CROSS_MS, FADE_OUT_MS)) / 1000);
    const { context } = this.out();
    playing.down.gain.setValueCurveAtTime(fade(1, 0), context.currentTime, seconds);
    setTimeout(() => this.end(playing), 1000 * seconds);
  }

  private end({ deck, address, down }: Playing): void {
    deck.element.pause();
    deck.element.removeAttribute('src');
    deck.source.disconnect();
    deck.isFree = true;
    down.disconnect();
    URL.revokeObjectURL(address);
  }
}

/** A file; null where the server has none. @throws NotNow */
async function fetched(url: string): Promise<Blob | null> {
  let answer: Response;
  try {
    answer = await fetch(url);
    if (answer.ok) return await answer.blob();
  } catch (problem) {
    throw new NotNow(String(problem));
  }
  if (answer.status === 404) return null;
  throw new NotNow(`the server answered ${answer.status}`);
}
