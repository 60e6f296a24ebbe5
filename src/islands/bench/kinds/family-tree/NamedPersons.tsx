import { useState } from 'react';
import type { parentsWritten } from '../../../../core/kinds/family-tree';
import { useBench, useParts } from '../../context';

/** Persons by their names: taken when the field is left or Enter pressed; what cannot be taken stays, with the reason. */
export function NamedPersons({
  label,
  shown,
  write,
}: {
  label: string;
  shown: string;
  write: (typed: string) => ReturnType<typeof parentsWritten>;
}) {
  const { store } = useParts();
  const entries = useBench((state) => state.diagram.entries);
  const [typed, setTyped] = useState(shown);
  const [reason, setReason] = useState('');
  const take = () => {
    if (typed.trim() === shown) return setReason('');
    const told = write(typed);
    setReason(told.ok ? '' : told.reason);
    if (told.ok) store.getState().perform(told.gesture);
  };
  return (
    <label className="grid grid-cols-[6.5rem_1fr] items-center gap-x-2">
      {label}
      <input
        className={`field min-h-7 py-0 ${reason ? 'outline-2 outline-brick' : ''}`}
        aria-invalid={reason ? true : undefined}
        list={`names-${label}`}
        placeholder="names, parted by ;"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => event.key === 'Enter' && take()}
      />
      <datalist id={`names-${label}`}>
        {Object.values(entries)
          .slice(0, 500)
          .map(({ id, name }) => (
            <option key={id} value={name} />
          ))}
      </datalist>
      {reason && <span className="col-start-2 text-brick">{reason}</span>}
    </label>
  );
}
