// @vitest-environment happy-dom
import { libraryMove } from '@library';
import {
  act,
  cleanup,
  configure,
  fireEvent,
  render,
  screen,
  waitFor,
} from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Move } from '@/core/move';
import { MoveEditor } from './move-editor';

// A machine whose time is taken by others is no fault.
configure({ asyncUtilTimeout: 30_000 });

const went: string[] = [];
vi.mock('next/navigation', () => ({
  useRouter: () => ({ push: (to: string) => went.push(to), refresh: () => {} }),
}));

let sent: { move: Move }[];
let status: number;
beforeEach(() => {
  sent = [];
  status = 200;
  went.length = 0;
  vi.stubGlobal('fetch', async (_: string, init: RequestInit) => {
    const body = JSON.parse(String(init.body));
    sent.push(body);
    const message = 'You have as many moves as a studio may have.';
    const said = status === 200 ? { id: body.move.id } : { message };
    return new Response(JSON.stringify(said), { status });
  });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const smile = () => libraryMove('smile-pulses') as Move;
const field = (label: string | RegExp) => screen.getByLabelText(label) as HTMLTextAreaElement;
const type = (label: string | RegExp, value: string) =>
  fireEvent.change(field(label), { target: { value } });
const save = () =>
  act(async () => {
    fireEvent.click(screen.getByRole('button', { name: 'Save the move' }));
  });

describe('writing a move', () => {
  it('sends what was changed, and all else as it was, in every language', async () => {
    render(
      <MoveEditor from={smile()} keepId={false} others={[]} takenIds={['own-harbour-smile']} />,
    );
    type('Name', 'Harbour smile');
    type('Set-up, one cue a line', '  Look at the sea.  \n\nSmile.\n');
    await save();
    await waitFor(() => expect(sent).toHaveLength(1));
    const { move } = sent[0] as { move: Move };
    const { text, id, looks, ...rest } = move;
    // It is shown as the move it was copied from, until it is drawn anew.
    expect(looks).toEqual({
      keys: ['12:.5 6:.2', '12:.95 6:.6'],
      easier: { keys: ['12:.5 6:.2'] },
    });
    const { text: was, id: _, ...before } = smile();
    expect(id).toBe('own-harbour-smile-2');
    expect(rest).toEqual(JSON.parse(JSON.stringify(before)));
    expect(text.en).toEqual({
      ...was.en,
      name: 'Harbour smile',
      setup: ['Look at the sea.', 'Smile.'],
    });
    expect(text.de).toEqual({ ...was.de, name: `${was.de?.name}, my way` });
    expect(went).toEqual(['/moves/own-harbour-smile-2']);
  });

  it('says what is wrong beside each field, goes to the first, and sends nothing', async () => {
    render(<MoveEditor from={null} keepId={false} others={[]} takenIds={[]} />);
    type(/^Form reminders/, 'Shoulders low.\nNo hurry.');
    await save();
    const saidOf = (label: string | RegExp) =>
      document.getElementById(field(label).getAttribute('aria-describedby') ?? '')?.textContent;
    await waitFor(() => expect(saidOf('Name')).toBe('The name must not be empty.'));
    expect(saidOf(/^Form reminders/)).toBe('The form reminders must be at least three.');
    expect(saidOf('Let go')).toBe('The let-go must not be empty.');
    expect(screen.getByText('The face must have at least one area.')).toBeTruthy();
    expect(document.activeElement).toBe(field('Name'));
    expect(field(/^Form reminders/).value).toBe('Shoulders low.\nNo hurry.');
    expect(sent).toEqual([]);
    type('Name', 'Quay');
    await waitFor(() => expect(saidOf('Name')).toBeUndefined());
  });

  it('says what is wrong where this page has no field for it', async () => {
    const german = smile().text.de;
    if (!german) throw new Error('the move should have German words');
    const long = { ...smile(), text: { ...smile().text, de: { ...german, name: 'L'.repeat(76) } } };
    render(<MoveEditor from={long} keepId={false} others={[]} takenIds={[]} />);
    await save();
    await screen.findByText(/^text\.de\.name .*80/);
    expect(sent).toEqual([]);
  });

  it('keeps what was written where the server refuses it, and says why', async () => {
    status = 409;
    render(<MoveEditor from={smile()} keepId={false} others={[]} takenIds={[]} />);
    type('Let go', 'Let it sail.');
    await save();
    await screen.findByText('You have as many moves as a studio may have.');
    expect(field('Let go').value).toBe('Let it sail.');
    expect(went).toEqual([]);
  });

  it('draws a version by itself, takes a step back, and leaves the picture of the move alone', async () => {
    const looks = { keys: ['12', '12 6'], fingers: 'tips rest cheekbone both' };
    render(<MoveEditor from={{ ...smile(), looks }} keepId={false} others={[]} takenIds={[]} />);
    const choose = (label: string, value: string) =>
      fireEvent.change(screen.getByLabelText(label), { target: { value } });
    const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
    choose('Picture of', 'easier');
    expect(screen.getByText('It is shown as less of the move, until it is drawn.')).toBeTruthy();
    press('Draw it, from the picture of the move');
    choose('mouth corner up and out', '40');
    press('Take the hands away');
    press('Undo');
    expect(screen.getByText(/^On: cheekbone/)).toBeTruthy();
    press('Take the hands away');
    await save();
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]?.move.looks).toEqual({ ...looks, easier: { keys: ['12:0.4', '12 6'] } });
  });

  it('lets a version be worked out again', async () => {
    const looks = { keys: ['12'], easier: { keys: ['12:.4'] } };
    render(<MoveEditor from={{ ...smile(), looks }} keepId={false} others={[]} takenIds={[]} />);
    fireEvent.change(screen.getByLabelText('Picture of'), { target: { value: 'easier' } });
    const leave = () =>
      fireEvent.click(screen.getByRole('button', { name: 'Leave it to be worked out' }));
    leave();
    // A slip is taken back where it was made.
    fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
    expect(screen.getByRole('button', { name: 'Moment 1' })).toBeTruthy();
    leave();
    await save();
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]?.move.looks).toEqual({ keys: ['12'] });
  });
});
