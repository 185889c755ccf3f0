import { expect, it } from 'vitest';
import { contentOf, Errands, fileContent } from './errand';

it('sends the same under one id until an answer has come, and anything else under another', async () => {
  const errands = new Errands();
  const ids: string[] = [];
  const lost = (content: string) =>
    errands
      .send(content, async (id) => {
        ids.push(id);
        throw new Error('no answer');
      })
      .catch((problem: Error) => problem.message);
  expect(await lost('a')).toBe('no answer');
  await lost('a');
  expect(await errands.send('a', async (id) => ids.push(id))).toBe(3);
  await lost('a');
  await lost('b');
  const [first, again, answered, meantAnew, other] = ids;
  expect([again, answered]).toEqual([first, first]);
  expect(new Set([first, meantAnew, other]).size).toBe(3);
});

it('knows a form by what stands in it, and a file by its name, size and date', () => {
  const file = (text: string, lastModified: number) => new File([text], 'a.mp3', { lastModified });
  const form = (name: string, of: File) => {
    const made = new FormData();
    made.set('name', name);
    made.set('file', of);
    return contentOf(made);
  };
  expect(form('a', file('x', 1))).toBe(form('a', file('y', 1)));
  const others = [form('b', file('x', 1)), form('a', file('xx', 1)), form('a', file('x', 2))];
  expect(new Set([form('a', file('x', 1)), ...others]).size).toBe(4);
  expect(fileContent(file('x', 1))).not.toBe(fileContent(file('x', 2)));
});
