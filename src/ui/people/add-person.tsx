import { useAct } from '../kit/use-act';

export interface NewPersonState {
  name: string;
  contact: string;
  error: string | null;
}

/** Somebody new on the register, by name. */
export function AddPerson({
  add,
}: {
  add: (state: NewPersonState, form: FormData) => Promise<NewPersonState>;
}) {
  const [state, action, pending] = useAct<NewPersonState>(add, {
    initial: { name: '', contact: '', error: null },
    unanswered: (_, error, form) => ({
      name: String(form.get('name')),
      contact: String(form.get('contact')),
      error,
    }),
  });
  return (
    <form
      action={action}
      aria-label="Add somebody"
      className="bg-base-200/60 border-base-300 rounded-box mb-4 flex flex-wrap items-end gap-3 border p-4"
    >
      <label className="grid grow gap-1">
        <span className="text-sm font-medium">Name, as they like to be called</span>
        <input
          name="name"
          required
          maxLength={80}
          defaultValue={state.name}
          key={`n${state.name}`}
          className="input w-full"
        />
      </label>
      <label className="grid grow gap-1">
        <span className="text-sm font-medium">Contact, if they wish</span>
        <input
          name="contact"
          maxLength={120}
          defaultValue={state.contact}
          key={`c${state.contact}`}
          className="input w-full"
        />
      </label>
      <button type="submit" className="btn btn-primary" disabled={pending}>
        Add to the register
      </button>
      {state.error && (
        <p role="alert" className="text-error w-full font-medium">
          {state.error}
        </p>
      )}
    </form>
  );
}
