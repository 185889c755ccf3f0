import fc from 'fast-check';
import Papa from 'papaparse';
import { expect, it } from 'vitest';
import { guessColumns, readPeople } from '@/core/people';
import { textOfFile } from '@/core/text-file';
import { peopleCsv } from '@/server/people/csv';
import type { ListedPerson } from '@/server/people/list';
import { attached } from './api/attached';

it('a list of people that is taken along can be taken in again, with every name and contact as it was', async () => {
  const word = fc.string({ unit: 'grapheme', minLength: 1, maxLength: 20 });
  const line = word.map((text) => text.replaceAll(/[\p{C}\p{Z}]+/gu, ' ').trim());
  const person = fc.record({
    name: fc.oneof(line, fc.constantFrom('Jörg; Ångström', '=Ada', "'t Hooft", '"Mo"')),
    contact: fc.option(fc.constantFrom('+353 1 555 0100', '-1', 'ada@example.org', "''")),
  });
  const people = fc.uniqueArray(
    person.filter(({ name }) => /\p{L}/u.test(name)),
    {
      selector: ({ name }) => name.normalize('NFKD').toLowerCase(),
      minLength: 1,
    },
  );
  await fc.assert(
    fc.asyncProperty(people, async (all) => {
      const listed = all.map(
        (p): ListedPerson => ({
          ...p,
          id: '',
          language: null,
          joinedOn: '2026-11-24',
          classes: [],
          leftOn: null,
          greet: false,
          carries: false,
          firstAt: null,
          lastAt: null,
          in4: { came: 0, of: 0 },
          times: 0,
          in12: { came: 0, of: 0 },
          best: null,
          practice: 0,
          marks: [],
        }),
      );
      const csv = peopleCsv(listed, 'Europe/Dublin');
      const file = attached(csv, { name: 'people.csv', type: 'text/csv' });
      const bytes = new Uint8Array(await file.arrayBuffer());
      expect([...bytes.slice(0, 3)]).toEqual([0xef, 0xbb, 0xbf]);
      const read = textOfFile(bytes);
      if (!read.ok) throw new Error(read.problem);
      const { data } = Papa.parse<string[]>(read.text, { skipEmptyLines: 'greedy' });
      const again = readPeople(data, guessColumns(data));
      expect(again.map(({ name, contact, problem }) => ({ name, contact, problem }))).toEqual(
        all.map(({ name, contact }) => ({ name, contact: contact ?? '', problem: null })),
      );
    }),
  );
});
