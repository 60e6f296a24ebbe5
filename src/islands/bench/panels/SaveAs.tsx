import { createContext, useContext } from 'react';

/** How the step saves; where it stands is told at the step's foot, which is always in sight. */
export interface Saving {
  readonly busy: boolean;
  readonly save: (format: string, name: string) => void;
}

export const SavingContext = createContext<Saving>({ busy: true, save: () => undefined });

/** A button that saves the diagram in a format of its kind. */
export function SaveAs({ format, name }: { format: string; name: string }) {
  const { busy, save } = useContext(SavingContext);
  return (
    <button className="button" aria-disabled={busy} onClick={() => save(format, name)}>
      Save {name}
    </button>
  );
}
