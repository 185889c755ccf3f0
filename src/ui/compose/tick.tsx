export interface TickProps {
  label: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
}

/** Something that is on or off. */
export function Tick({ label, checked, onChange }: TickProps) {
  return (
    <label className="flex items-center gap-2">
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={checked}
        onChange={(e) => onChange(e.target.checked)}
      />
      <span className="text-sm">{label}</span>
    </label>
  );
}
