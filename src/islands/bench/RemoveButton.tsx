import { Trash2 } from 'lucide-react';

/** Takes one thing out of a list; `label` says which, `title` what else that does. */
export function RemoveButton({
  label,
  title = 'Remove it',
  onClick,
}: {
  label: string;
  title?: string;
  onClick: () => void;
}) {
  return (
    <button className="plain px-1" aria-label={label} title={title} onClick={onClick}>
      <Trash2 size={15} aria-hidden="true" />
    </button>
  );
}
