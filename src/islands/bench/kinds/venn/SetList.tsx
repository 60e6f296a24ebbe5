import { Columns3, Rows3, TableProperties, Text } from 'lucide-react';
import { useState } from 'react';
import { setsInOrder } from '../../../../core/kinds/venn';
import { useBench } from '../../context';
import { AddLine, RemoveLine } from '../../list/LineTools';
import { PlainText } from '../../list/PlainText';
import { Tray } from '../../list/Tray';
import { MembershipGrid } from './MembershipGrid';
import { SelectAlike } from '../../list/SelectAlike';
import { Pictures } from '../../pictures/Pictures';
import { RegionLists } from './RegionLists';
import { Sets } from './Sets';

const views = [
  { id: 'grid', words: 'As grid', Icon: Rows3 },
  { id: 'regions', words: 'By region', Icon: Columns3 },
  { id: 'text', words: 'As text', Icon: Text },
] as const;
type View = (typeof views)[number]['id'];

/** The list of a Venn diagram: its sets, and a grid of entries by sets, one list for each region, or plain text. */
export function SetList() {
  const diagram = useBench((state) => state.diagram);
  const [view, setView] = useState<View>('grid');
  const [columns, setColumns] = useState(0);
  if (diagram.kind !== 'venn') return null;
  const sets = setsInOrder(diagram.venn);
  const entries = Object.values(diagram.entries);
  const count = entries.length;
  const used = entries.reduce((most, { details }) => Math.max(most, details.length), 0);
  // A column stays while its last detail is taken out.
  if (used > columns) setColumns(used);
  return (
    <>
      <Sets sets={sets} />
      <div className="flex shrink-0 flex-wrap items-center gap-1 px-3 pb-2">
        {view !== 'text' && (
          <>
            {view === 'grid' && <AddLine where="next" />}
            <RemoveLine />
            <Pictures />
          </>
        )}
        {view === 'grid' && (
          <button
            className="plain"
            disabled={used > 0}
            aria-pressed={columns > 0}
            onClick={() => setColumns(columns > 0 ? 0 : 1)}
            title="A column for a second line under the name"
          >
            <TableProperties size={15} aria-hidden="true" /> Details
          </button>
        )}
        <span className="ml-auto flex">
          {views
            .filter(({ id }) => id !== view)
            .map(({ id, words, Icon }) => (
              <button key={id} className="plain" onClick={() => setView(id)}>
                <Icon size={15} aria-hidden="true" /> {words}
              </button>
            ))}
        </span>
      </div>
      {view === 'grid' && <MembershipGrid diagram={diagram} sets={sets} details={columns} />}
      {view === 'regions' && <RegionLists diagram={diagram} />}
      {view === 'text' && <PlainText onDone={() => setView('grid')} />}
      <Tray />
      <div className="flex shrink-0 items-center gap-2 border-t border-hair px-4 py-1.5 text-sm text-muted">
        <p className="min-w-0 flex-1">
          {count.toLocaleString('en')} {count === 1 ? 'entry' : 'entries'}. Space ticks a set; Enter adds the next; Esc
          leaves the list.
        </p>
        <SelectAlike />
      </div>
    </>
  );
}
