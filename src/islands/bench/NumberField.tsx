/** A number within bounds; what lies outside of them is not taken. `value`: null where several differ. */
export function NumberField({
  id,
  name,
  value,
  least,
  most,
  step = 1,
  className,
  onChange,
}: {
  id?: string;
  /** Left out where a label names the field. */
  name?: string;
  value: number | null;
  least: number;
  most: number;
  step?: number;
  className: string;
  onChange: (value: number) => void;
}) {
  return (
    <input
      id={id}
      type="number"
      className={`field min-h-7 py-0 ${className}`}
      aria-label={name}
      title={name}
      min={least}
      max={most}
      step={step}
      value={value ?? ''}
      placeholder="they differ"
      onChange={(event) => {
        const next = event.target.valueAsNumber;
        if (Number.isFinite(next) && next >= least && next <= most) onChange(next);
      }}
    />
  );
}
