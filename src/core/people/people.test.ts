import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { alike, guessColumns, likeness, plainName, practisedAt, readPeople, toldApart } from '.';

describe('people of one name', () => {
  const idOf = ({ id }: { id: string }) => id;
  const names = (...people: [string, number][]) =>
    toldApart(
      people.map(([name, timesBefore], i) => ({ id: `${i}`, name, timesBefore })),
      idOf,
    ).map((p) => p.name);

  it('are told apart by how often they came, and by a number where that is the same', () => {
    expect(names(['Ada', 12], ['ADA', 0], ['Ada Lind', 3], ['Bo', 1])).toEqual([
      'Ada (12×)',
      'ADA (new)',
      'Ada Lind',
      'Bo',
    ]);
    expect(names(['Ada', 2], ['Ada', 2], ['Áda', 4])).toEqual([
      'Ada (2×, 1)',
      'Ada (2×, 2)',
      'Áda (4×)',
    ]);
  });

  it('are never called the same, keep their place, and are found by what was their name', () => {
    const person = fc.record({
      name: fc.constantFrom('Ada', 'ada', 'Bo', 'B o', 'Zoë', 'Zoe'),
      timesBefore: fc.nat(3),
      id: fc.uuid(),
    });
    fc.assert(
      fc.property(fc.uniqueArray(person, { maxLength: 9, selector: idOf }), (people) => {
        const told = toldApart(people, idOf);
        // In whatever order they stand, each is called the same.
        const turned = toldApart(people.toReversed(), idOf).toReversed();
        expect(turned.map((p) => p.name)).toEqual(told.map((p) => p.name));
        expect(told.map((p) => p.timesBefore)).toEqual(people.map((p) => p.timesBefore));
        expect(new Set(told.map((p) => plainName(p.name))).size).toBe(people.length);
        for (const [i, { name }] of told.entries()) {
          const was = people[i]?.name ?? '';
          const alone = people.filter((p) => plainName(p.name) === plainName(was)).length === 1;
          expect(name.startsWith(was) && (name === was) === alone).toBe(true);
        }
      }),
    );
  });
});

describe('likeness of names', () => {
  it.each([
    ['Marit', 'marit', 1],
    ['Zoë', 'zoe', 1],
    ['Anne-Lise', 'anne lise', 1],
    ['Marit', 'Marit Aasen', 0.8],
    ['Ada', '', 0],
  ])('%s and %s', (a, b, least) => expect(likeness(a, b)).toBeGreaterThanOrEqual(least));

  it('is lower for different people than for a slip', () => {
    expect(likeness('Halvor', 'Halvar')).toBeGreaterThan(likeness('Halvor', 'Odile'));
    expect(likeness('Halvor', 'Odile')).toBeLessThan(0.3);
  });

  it('lies between nothing and one, is one for oneself, and does not ask who is first', () => {
    const name = fc.string({ maxLength: 12 });
    fc.assert(
      fc.property(name, name, (a, b) => {
        const like = likeness(a, b);
        expect(like).toBeGreaterThanOrEqual(0);
        expect(like).toBeLessThanOrEqual(1);
        expect(likeness(b, a)).toBeCloseTo(like);
        if (plainName(a)) expect(likeness(a, a)).toBe(1);
      }),
    );
  });

  it('finds who may be meant, the likest first', () => {
    const people = ['Marit', 'Mart', 'Odile', 'Tarek'].map((name) => ({ name }));
    expect(alike(people, 'Marrit', 3).map((p) => p.name)).toEqual(['Marit', 'Mart']);
    expect(alike(people, 'Wen', 3)).toEqual([]);
    expect(alike(people, 'Marit', 1)).toHaveLength(1);
  });
});

describe('a list of people', () => {
  it('tells columns by their heads, whatever their order', () => {
    const rows = [
      ['E-Mail', 'No.', 'First name', 'Sprache'],
      ['ada@example.org', '1', 'Ada', 'Deutsch'],
    ];
    const table = guessColumns(rows);
    expect(table).toEqual({ headed: true, columns: ['contact', 'nothing', 'name', 'language'] });
    expect(readPeople(rows, table)).toEqual([
      { line: 2, name: 'Ada', contact: 'ada@example.org', language: 'de', problem: null },
    ]);
  });

  it('tells columns by what stands in them where nothing heads them', () => {
    const rows = [
      ['Ada', '+353 1 555 0100', 'en'],
      ['Ben', 'ben@example.org', 'german'],
    ];
    expect(guessColumns(rows)).toEqual({ headed: false, columns: ['name', 'contact', 'language'] });
  });

  it('puts a first and a family name together, in whatever order they stand', () => {
    const rows = [
      ['Nachname', 'Vorname', 'E-Mail'],
      ['Ångström', 'Jörg', 'joerg@example.org'],
      ['Lind', '', ''],
      ['', 'Ada', ''],
    ];
    const table = guessColumns(rows);
    expect(table.columns).toEqual(['familyName', 'name', 'contact']);
    expect(readPeople(rows, table).map((p) => p.name)).toEqual(['Jörg Ångström', 'Lind', 'Ada']);
  });

  it('takes off what keeps a spreadsheet from reading a formula, and nothing else', () => {
    const rows = [
      ['Name', 'Contact'],
      ["'=Ada", "'+353 1 555 0100"],
      ["D'Arcy", "''s"],
      ["'t Hooft", ''],
    ];
    expect(readPeople(rows, guessColumns(rows)).map((p) => [p.name, p.contact])).toEqual([
      ['=Ada', '+353 1 555 0100'],
      ["D'Arcy", "'s"],
      ["'t Hooft", ''],
    ]);
  });

  it('says what is wrong with a line, and leaves empty ones out', () => {
    const rows = [
      ['Name', 'Email', 'Language'],
      ['Ada', 'ada@example.org', ''],
      ['', '', ''],
      ['', 'nobody@example.org', ''],
      ['Cleo', '', 'Klingon'],
      ['ADA', 'Ada@example.org', ''],
      ['x'.repeat(81), '', ''],
      ['Ada', 'other@example.org', ''],
    ];
    const people = readPeople(rows, guessColumns(rows));
    expect(people.map((p) => [p.line, p.problem])).toEqual([
      [2, null],
      [4, 'has no name'],
      [5, 'has a language that is not known: Klingon'],
      [6, 'is the same as line 2'],
      [7, 'has a name of more than 80 characters'],
      [8, null],
    ]);
  });

  it('reads whatever rows there are without losing one that is not empty', () => {
    const rows = fc.array(fc.array(fc.string({ maxLength: 8 }), { maxLength: 5 }), {
      maxLength: 8,
    });
    fc.assert(
      fc.property(rows, (all) => {
        const table = guessColumns(all);
        const full = all.filter(
          (row, i) => row.some((c) => c.trim()) && !(table.headed && i === 0),
        );
        expect(readPeople(all, table)).toHaveLength(full.length);
      }),
    );
  });
});

it('practice of today was just now, and of another day at noon where it is', () => {
  const now = Date.UTC(2026, 9, 25, 20);
  const at = (day: string, zone: string) => practisedAt(day, { zone, now });
  expect(at('2026-10-25', 'Europe/Dublin')).toBe(now);
  // The clocks are put back that night.
  expect(at('2026-10-24', 'Europe/Dublin')).toBe(Date.UTC(2026, 9, 24, 11));
  expect(at('2026-10-25', 'Pacific/Auckland')).toBe(Date.UTC(2026, 9, 24, 23));
});
