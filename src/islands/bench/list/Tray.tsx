import { addNext } from '../../../core/hierarchy';
import { newId } from '../../shared/ids';
import { useBench, useParts } from '../context';

/** Lines of the list that found no place: made entries at the top, where nobody is meant to be above them yet, or thrown away. */
export function Tray() {
  const { store } = useParts();
  const items = useBench((state) => state.diagram.notPlaced);
  if (items.length === 0) return null;
  const place = (id: string, text: string) => {
    const { diagram, perform } = store.getState();
    const entry = newId();
    perform([...addNext(diagram, null, { id: entry, name: text.slice(0, 400) }), { kind: 'takeFromTray', id }], {
      select: entry,
      focus: { entry, column: 0 },
    });
  };
  return (
    <section
      aria-label="Not placed"
      className="max-h-40 shrink-0 overflow-auto border-t border-hair bg-brasswash px-4 py-2 text-sm"
    >
      <h3 className="label font-sans">Not placed ({items.length})</h3>
      <ul>
        {items.map((item) => (
          <li key={item.id} className="flex items-center gap-2 py-0.5" title={item.reason}>
            <span className="min-w-0 flex-1 truncate">
              {item.text || 'An empty name'} <span className="text-muted">{item.reason}</span>
            </span>
            <button className="plain" onClick={() => place(item.id, item.text)}>
              Add at the top
            </button>
            <button className="plain" onClick={() => store.getState().perform([{ kind: 'takeFromTray', id: item.id }])}>
              Throw away
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
