import { afterEach, expect, it, vi } from 'vitest';
import { errorFields } from './log';
import { mayWatch } from './metrics';

afterEach(() => vi.unstubAllEnvs());

it('tells of an error what it is and where, not what it says, since that may quote what was typed', () => {
  const problem = Object.assign(new TypeError('invalid input: "Marit, born\n at the sea"'), {
    code: '22P02',
  });
  const fields = errorFields(problem);
  expect(fields).toMatchObject({ error: 'TypeError', code: '22P02' });
  expect(JSON.stringify(fields)).toContain('watch.test.ts');
  expect(JSON.stringify(fields)).not.toContain('Marit');
  expect(errorFields('Marit')).toEqual({ error: 'string' });
  expect(
    errorFields(Object.assign(new Error('x'), { code: 'a code with Marit in it' })),
  ).not.toHaveProperty('code');
});

it('lets nobody read the numbers without the token, nor anybody where none is configured', () => {
  expect(mayWatch('Bearer abc', 'abc')).toBe(true);
  for (const [header, token] of [
    ['Bearer abc', undefined],
    ['Bearer ', ''],
    ['Bearer ab', 'abc'],
    ['abc', 'abc'],
    [null, 'abc'],
  ] as const) {
    expect(mayWatch(header, token)).toBe(false);
  }
});
