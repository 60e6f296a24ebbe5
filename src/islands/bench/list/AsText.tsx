import { Rows3, Text } from 'lucide-react';

/** Between the list as a grid and the same as plain text. */
export function AsText({ plain, onChange }: { plain: boolean; onChange: (plain: boolean) => void }) {
  return (
    <button className="plain ml-auto" aria-pressed={plain} onClick={() => onChange(!plain)}>
      {plain ? <Rows3 size={15} aria-hidden="true" /> : <Text size={15} aria-hidden="true" />}
      {plain ? 'As grid' : 'As text'}
    </button>
  );
}
