// @vitest-environment happy-dom
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { RecordDialog } from './record-dialog';

/** A microphone of a device: it hears until its plug is pulled, or until the page lets it go. */
class Plugged {
  active = true;
  private readonly track = { stop: () => this.pull() };
  getTracks = () => [this.track];
  pull() {
    this.active = false;
  }
}
class Recorder extends EventTarget {
  state = 'inactive';
  ondataavailable = (_: { data: Blob }) => {};
  onstop = () => {};
  constructor(private readonly stream: Plugged) {
    super();
  }
  start() {
    // As the draft of W3C (MediaStream Recording) has it.
    if (!this.stream.active) throw new DOMException('inactive', 'NotSupportedError');
    this.state = 'recording';
  }
  stop() {
    this.state = 'inactive';
    this.ondataavailable({ data: new Blob(['sound']) });
    this.onstop();
  }
}
class Context {
  createMediaStreamSource = () => ({ connect: () => {} });
  close = async () => {};
}
class Analyser {
  fftSize = 8;
  getFloatTimeDomainData = (into: Float32Array) => into.fill(0.1);
}
class Reader {
  decodeAudioData = async () => {
    if (decodes === 'not at all') throw new DOMException('no sound in it', 'EncodingError');
    const samples = Float32Array.from({ length: 24_000 }, (_, i) => 0.3 * Math.sin(i / 20));
    return { getChannelData: () => samples, sampleRate: 24_000 };
  };
}

let decodes: 'a hum' | 'not at all';
let plugged: Plugged[];
/** How the browser answers whether the page may listen. */
let mayListen: (stream: Plugged) => Promise<Plugged>;

beforeEach(() => {
  [decodes, plugged] = ['a hum', []];
  mayListen = async (stream) => stream;
  const made = { AudioContext: Context, AnalyserNode: Analyser, OfflineAudioContext: Reader };
  for (const [name, is] of Object.entries(made)) vi.stubGlobal(name, is);
  vi.stubGlobal('MediaRecorder', Recorder);
  vi.stubGlobal(
    'Audio',
    class extends EventTarget {
      play = async () => {};
      pause = () => {};
    },
  );
  vi.stubGlobal('fetch', async () => Response.json({ recordings: [] }));
  const getUserMedia = () => {
    const stream = new Plugged();
    plugged.push(stream);
    return mayListen(stream);
  };
  Object.defineProperty(navigator, 'mediaDevices', { configurable: true, value: { getUserMedia } });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const opened = async (...more: string[]) => {
  const cues = ['Let the jaw hang.', ...more].map((text) => ({ text, language: 'en' as const }));
  const onClose = vi.fn();
  const shown = { ...render(<RecordDialog title="Recording" {...{ cues, onClose }} />), onClose };
  // Until it is known what was recorded before, a press does nothing.
  const record = screen.getByRole('button', { name: 'Record', hidden: true });
  await waitFor(() => expect(record.getAttribute('aria-disabled')).toBe('false'));
  return shown;
};
const press = (name: string | RegExp) =>
  act(async () => fireEvent.click(screen.getByRole('button', { name, hidden: true })));

it('lets a microphone go that the browser gives only after the dialog was closed', async () => {
  let give = () => {};
  mayListen = (stream) =>
    new Promise((resolve) => {
      give = () => resolve(stream);
    });
  const { unmount } = await opened();
  await press('Record');
  unmount();
  expect(plugged[0]?.active).toBe(true);
  await act(async () => give());
  expect(plugged[0]?.active).toBe(false);
});

it('opens another microphone where the one before was pulled out', async () => {
  await opened();
  await press('Record');
  await press('Stop');
  expect(screen.getByText(/^[01]\.\d s, cut and levelled/)).toBeTruthy();
  plugged[0]?.pull();
  await press('Once more');
  expect(screen.queryByRole('alert', { hidden: true })).toBeNull();
  expect(screen.getByText(/^Recording\./)).toBeTruthy();
  expect(plugged.map(({ active }) => active)).toEqual([false, true]);
});

it('goes on after a take in which there is nothing to read', async () => {
  decodes = 'not at all';
  await opened();
  await press('Record');
  await press('Stop');
  expect(screen.getByRole('alert', { hidden: true }).textContent).toMatch(/^Nothing was heard\./);
  decodes = 'a hum';
  await press('Record');
  await press('Stop');
  expect(screen.getByText(/cut and levelled/)).toBeTruthy();
});

it('keeps what was heard and not kept while another is recorded, or fails, and asks before it closes', async () => {
  const { onClose } = await opened('And rest.');
  await press('Record');
  await press('Stop');
  await press(/^And rest\./);
  expect(screen.getByRole('button', { name: 'Record', hidden: true })).toBeTruthy();
  await press(/^Let the jaw hang\..*not kept yet/);
  expect(screen.getByText(/cut and levelled/)).toBeTruthy();
  decodes = 'not at all';
  await press('Once more');
  await press('Stop');
  expect(screen.getByText(/cut and levelled/)).toBeTruthy();

  await press('Close');
  expect(onClose).not.toHaveBeenCalled();
  expect(screen.getByText(/did not keep is lost/)).toBeTruthy();
  await press('Go on recording');
  expect(screen.queryByText(/did not keep is lost/)).toBeNull();
  await press('Close');
  await press('Close and lose it');
  expect(onClose).toHaveBeenCalledOnce();
});

it('closes at once where nothing would be lost', async () => {
  const { onClose } = await opened();
  await press('Close');
  expect(onClose).toHaveBeenCalledOnce();
});
