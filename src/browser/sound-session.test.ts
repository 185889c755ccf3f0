// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Microphone } from './microphone';
import { Mixer } from './mixer';
import { soundSession } from './sound-session';

const session = { type: 'auto' };
const track = { stop: () => {} };
let mayRecord = true;

class FakeContext {
  destination = {};
  createMediaStreamSource = () => new FakeNode();
  async close() {}
}
class FakeNode {
  gain = { value: 1 };
  fftSize = 8;
  connect = () => this;
}

beforeEach(() => {
  session.type = 'auto';
  mayRecord = true;
  vi.stubGlobal('AudioContext', FakeContext);
  vi.stubGlobal('GainNode', FakeNode);
  vi.stubGlobal('AnalyserNode', FakeNode);
  vi.stubGlobal('MediaRecorder', class {});
  Object.assign(navigator, { audioSession: session });
  Object.defineProperty(navigator, 'mediaDevices', {
    configurable: true,
    value: {
      getUserMedia: async () => {
        // The type that a device needs before it lets a page record.
        if (session.type !== 'play-and-record') throw new Error(`asked as ${session.type}`);
        if (!mayRecord) throw new DOMException('no', 'NotAllowedError');
        return { getTracks: () => [track] };
      },
    },
  });
});
afterEach(() => vi.unstubAllGlobals());

describe('what a page does with sound', () => {
  it('is told to the device from the first sound of a class to its last, so that no switch mutes it', () => {
    const mixer = new Mixer();
    expect(session.type).toBe('auto');
    mixer.open();
    mixer.open();
    expect(session.type).toBe('playback');
    mixer.close();
    expect(session.type).toBe('auto');
  });

  it('is recording for as long as a microphone is open, also beside a class that is heard', async () => {
    const mixer = new Mixer();
    mixer.open();
    const microphone = await Microphone.open();
    expect(session.type).toBe('play-and-record');
    microphone.close();
    microphone.close();
    expect(session.type).toBe('playback');
    mixer.close();
    expect(session.type).toBe('auto');
  });

  it('is no recording where the microphone was refused', async () => {
    mayRecord = false;
    await expect(Microphone.open()).rejects.toThrow('refused');
    expect(session.type).toBe('auto');
  });

  it('needs no device that asks for it', () => {
    Object.assign(navigator, { audioSession: undefined });
    expect(() => soundSession('playback')()).not.toThrow();
  });
});
