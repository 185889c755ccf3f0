// @vitest-environment happy-dom
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { ActionForm, type FormState } from './form';
import { useLeadingOn } from './use-leading-on';

const { push, success } = vi.hoisted(() => ({ push: vi.fn(), success: vi.fn() }));
vi.mock('next/navigation', async (original) => ({
  ...(await original<object>()),
  useRouter: () => ({ push }),
}));
vi.mock('sonner', () => ({ toast: { success } }));

beforeEach(() => {
  push.mockReset();
  success.mockReset();
});
afterEach(cleanup);

const answered = (more: Partial<FormState>): FormState => ({
  values: {},
  errors: {},
  problem: null,
  done: null,
  ...more,
});

function Erase({ answer }: { answer: FormState }) {
  const erase = useLeadingOn(
    async () => answer,
    () => '/people',
  );
  return <ActionForm act={erase} submit="Erase them" label="Erase" />;
}

const press = () => act(async () => void fireEvent.click(screen.getByText('Erase them')));

it('says on the next page what was done', async () => {
  render(<Erase answer={answered({ done: 'Liv is erased. Tell Mo.' })} />);
  await press();
  await vi.waitFor(() => expect(push).toHaveBeenCalledExactlyOnceWith('/people'));
  expect(success).toHaveBeenCalledExactlyOnceWith('Liv is erased. Tell Mo.', expect.anything());
});

it('stays where it was refused, with what is wrong', async () => {
  render(<Erase answer={answered({ problem: 'Write their name.' })} />);
  await press();
  expect((await screen.findByRole('alert')).textContent).toBe('Write their name.');
  expect(push).not.toHaveBeenCalled();
});

it('stays where nothing can say it on the next page, and says it here', async () => {
  success.mockImplementation(() => {
    throw new Error('gone');
  });
  render(<Erase answer={answered({ done: 'Liv is erased. Tell Mo.' })} />);
  await press();
  await vi.waitFor(() =>
    expect(screen.getByRole('status').textContent).toBe('Liv is erased. Tell Mo.'),
  );
  expect(push).not.toHaveBeenCalled();
});
