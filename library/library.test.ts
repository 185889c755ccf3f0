import { describe, expect, it } from 'vitest';
import { AREAS } from '@/core/move';
import { estimateSpeech } from '@/core/speech';
import { LIBRARY } from '.';
import { words } from './en';

describe('the library', () => {
  it('has no two moves with one id and no words without a move', () => {
    const ids = LIBRARY.map((m) => m.id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(Object.keys(words).filter((id) => !ids.includes(id))).toEqual([]);
  });

  it('has work for every area of the face', () => {
    const worked = new Set(LIBRARY.flatMap((m) => Object.keys(m.areas)));
    expect(AREAS.filter((area) => !worked.has(area))).toEqual([]);
  });

  it('says nothing in one breath that takes over 12 s', () => {
    const cues = LIBRARY.flatMap((m) => {
      const text = m.text.en;
      return text ? [...text.setup, text.short, ...text.form, text.letGo] : [];
    });
    expect(cues.filter((cue) => estimateSpeech(cue, 'en', 150) > 12_000)).toEqual([]);
  });

  it('warns of looking up wherever the head goes back', () => {
    const silent = LIBRARY.filter((m) => m.head === 'back' && !m.caution?.includes('chin level'));
    expect(silent.map((m) => m.id)).toEqual([]);
  });
});
