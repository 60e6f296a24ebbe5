import { Dialog } from '../shared/Dialog';
import { useBench, useParts } from './context';

const groups: [string, [string, string][]][] = [
  [
    'In the list and in the drawing',
    [
      ['Enter', 'add next'],
      ['Shift + Enter', 'add under'],
      ['Alt + Enter', 'add above (a parent in a family tree)'],
      ['Ctrl + Enter', 'add a partner (family tree)'],
      ['Tab', 'one tier down (list)'],
      ['Shift + Tab', 'one tier up (list)'],
      ['Alt + ↑ / ↓', 'earlier / later'],
      ['Ctrl + Delete', 'remove what is selected'],
      ['Shift + ↑ / ↓', 'select several (in the drawing Shift + an arrow)'],
      ['Ctrl or Shift + click', 'one more, or all up to it'],
      ['Esc', 'leave the list; Tab then goes on'],
    ],
  ],
  [
    'In the drawing',
    [
      ['← ↑ → ↓', 'to the next entry that way'],
      ['F2', 'edit the name, or the words of a selected link'],
      ['L', 'to the links of the selected entry, one by one'],
      ['S', 'style the selected entry alone'],
      ['R', 'give the last style, or the one that is matched, to what is selected'],
      ['Shift + drag', 'a frame around several'],
      [
        'Alt + drag',
        'draw a link to another entry and type its words (in a concept map to free ground too: a new idea)',
      ],
      ['Alt + → / ←', 'one tier down / up'],
      ['Alt + Shift + arrow', 'nudge off its place (Arrange sends it back)'],
      ['drag to free ground', 'nudge it there'],
      ['drag to an idea', 'link to it and type the phrase (concept map)'],
      ['1 … 5', 'into or out of that set (Venn diagram)'],
      ['+ / −', 'zoom'],
      ['0', 'fit the sheet'],
    ],
  ],
  [
    'Anywhere',
    [
      ['Alt + 1 … 6', 'List, Arrange, Style, Figures, Notes, Hand out'],
      ['Ctrl + Z', 'undo'],
      ['Ctrl + Shift + Z', 'redo'],
      ['?', 'this page'],
    ],
  ],
];

export function ShortcutsDialog() {
  const shown = useBench((state) => state.shortcutsShown);
  const { store } = useParts();
  if (!shown) return null;
  return (
    <Dialog title="Keys" onClose={() => store.getState().set({ shortcutsShown: false })}>
      {groups.map(([name, keys]) => (
        <section key={name} className="mb-4">
          <h3 className="label mb-1 font-sans">{name}</h3>
          <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
            {keys.map(([combination, meaning]) => (
              <div key={combination} className="contents">
                <dt className="font-semibold">{combination}</dt>
                <dd>{meaning}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
      <button className="button" onClick={() => store.getState().set({ shortcutsShown: false })}>
        Close
      </button>
    </Dialog>
  );
}
