import type { ReactNode } from 'react';

/** A box to tick with its words. */
export function Check({
  checked,
  className = '',
  onChange,
  children,
}: {
  checked: boolean;
  className?: string;
  onChange: (checked: boolean) => void;
  children: ReactNode;
}) {
  return (
    <label className={`flex items-center gap-2 ${className}`}>
      <input
        type="checkbox"
        className="accent-moss"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      {children}
    </label>
  );
}
