// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { digestOf } from '@/core/calls/digest';
import { FailedPage } from './failed';
import { FailedForPeople } from './failed-for-people';

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const props = (error: Error & { digest?: string } = new Error('nowhere')) => ({
  error,
  reset: vi.fn(),
  retry: vi.fn(),
});

it.each([
  [['de-AT', 'en'], 'de', 'Wenn es wieder passiert, sag es deiner Lehrerin.'],
  [['en-GB', 'de'], 'en', 'If it happens again, tell your teacher.'],
  [['fr'], 'en', 'If it happens again, tell your teacher.'],
])(
  'tells people in the language of their device, %j, what they can do',
  (languages, lang, says) => {
    vi.stubGlobal('navigator', { languages });
    const of = props();
    render(<FailedForPeople {...of} />);
    expect(screen.getByRole('main').lang).toBe(lang);
    expect(screen.getByRole('main').textContent).toContain(says);
    expect(screen.getByRole('main').textContent).not.toMatch(/log/);
    fireEvent.click(screen.getByRole('button'));
    expect(of.retry).toHaveBeenCalledOnce();
  },
);

it('says why something was refused where that is known', () => {
  const refused = Object.assign(new Error('minified'), {
    digest: digestOf('There is no such class.'),
  });
  render(<FailedPage {...props(refused)} />);
  expect(screen.getByRole('main').textContent).toContain('There is no such class.');
});
