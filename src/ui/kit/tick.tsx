interface TickProps {
  label: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
}

/** A choice that is ticked, with its label. */
export const Tick = ({ label, checked, onChange }: TickProps) => (
  <label className="flex min-h-8 items-center gap-2">
    <input
      type="checkbox"
      className="checkbox border-base-content/70"
      checked={checked}
      onChange={({ target }) => onChange(target.checked)}
    />
    {label}
  </label>
);
