import { Search } from 'lucide-react';

export interface PeopleFiltersProps {
  find: string;
  show: string;
  /** What can be shown, with its name. */
  shows: { id: string; name: string }[];
  classId: string;
  classes: { id: string; name: string }[];
}

/** What the list of people is narrowed by; a plain form, so that the address says what is shown. */
export function PeopleFilters({ find, show, shows, classId, classes }: PeopleFiltersProps) {
  const whenChosen = (event: React.ChangeEvent<HTMLSelectElement>) =>
    event.currentTarget.form?.submit();
  return (
    <form method="get" className="flex flex-wrap items-end gap-3" aria-label="Narrow the list">
      <label className="grid gap-1">
        <span className="text-sm font-medium">Find by name or contact</span>
        <span className="join">
          <input
            name="find"
            type="search"
            defaultValue={find}
            maxLength={80}
            className="input join-item w-52"
          />
          <button type="submit" className="btn join-item" aria-label="Find">
            <Search size={18} aria-hidden />
          </button>
        </span>
      </label>
      <label className="grid gap-1">
        <span className="text-sm font-medium">Show</span>
        <select name="show" defaultValue={show} className="select w-52" onChange={whenChosen}>
          {shows.map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}
            </option>
          ))}
        </select>
      </label>
      <label className="grid gap-1">
        <span className="text-sm font-medium">Booked on</span>
        <select name="classId" defaultValue={classId} className="select w-56" onChange={whenChosen}>
          <option value="">any class or none</option>
          {classes.map((c) => (
            <option key={c.id} value={c.id}>
              {c.name}
            </option>
          ))}
        </select>
      </label>
    </form>
  );
}
