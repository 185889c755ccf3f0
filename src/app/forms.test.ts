import { describe, expect, it } from 'vitest';
import { touchedIn } from './forms';

const sent = (fields: Record<string, string>, was?: unknown) => {
  const form = new FormData();
  for (const [name, value] of Object.entries(fields)) form.set(name, value);
  if (was !== undefined) form.set('was', typeof was === 'string' ? was : JSON.stringify(was));
  return form;
};
const wanted = { name: 'Ada', contact: null, greet: false };

describe('what was changed of what a form had shown', () => {
  it('is what is not as it was, a tick that was taken out and a line that was emptied too', () => {
    const was = { name: 'Ada', contact: 'ada@pier.example', greet: 'on' };
    expect(touchedIn(sent({ name: 'Ada', contact: '' }, was), wanted)).toEqual({
      contact: null,
      greet: false,
    });
    expect(touchedIn(sent(was, was), { ...wanted, greet: true })).toEqual({});
  });

  it('is all of it where the form does not say', () => {
    expect(touchedIn(sent({ name: 'Ada' }), wanted)).toEqual(wanted);
  });

  it('is nowhere to be found where nobody could have sent it', () => {
    for (const was of ['{', '[1]', '"x"', { name: 1 }])
      expect(() => touchedIn(sent({}, was), wanted)).toThrow(/404/);
  });
});
