import { Field } from './form';

/** How many a session has room for. */
export function RoomField({ initial = '' }: { initial?: string }) {
  return (
    <Field
      name="roomFor"
      label="Room for so many people"
      inputMode="numeric"
      initial={initial}
      help="Leave it empty for no limit. Whoever is booked after that waits, and moves up by themselves."
    />
  );
}
