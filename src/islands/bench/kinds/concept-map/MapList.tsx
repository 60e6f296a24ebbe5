import { useState } from 'react';
import { useBench } from '../../context';
import { AsText } from '../../list/AsText';
import { AddLine, RemoveLine } from '../../list/LineTools';
import { PlainText } from '../../list/PlainText';
import { Pictures } from '../../pictures/Pictures';
import { Tray } from '../../list/Tray';
import { Links } from '../../tree/Links';
import { ListGrid } from '../../tree/ListGrid';
import type { TreeBenchWords } from '../../tree/words';
import { Propositions } from './Propositions';

const words: TreeBenchWords = {
  leading: '',
  dropHint: 'drop between two lines to change their order',
  willBeUnder: 'goes to',
  isUnder: 'is with',
  head: 'idea',
  leaves: 'Ideas',
  ways: [],
};
const tabs = [
  ['propositions', 'Propositions'],
  ['ideas', 'Ideas'],
] as const;

/** The same map by its propositions, by its ideas, or as plain text. */
export function MapList() {
  const [tab, setTab] = useState<(typeof tabs)[number][0]>('propositions');
  const [plain, setPlain] = useState(false);
  const ideas = useBench((state) => state.structure.ids.length);
  const links = useBench((state) => Object.keys(state.diagram.links).length);
  return (
    <>
      <div className="flex shrink-0 flex-wrap items-center gap-1 px-3 pb-2">
        <div role="tablist" aria-label="List by" className="flex border border-edge">
          {tabs.map(([id, name]) => (
            <button
              key={id}
              role="tab"
              aria-selected={!plain && tab === id}
              className={`px-2.5 py-0.5 ${!plain && tab === id ? 'bg-mosswash font-semibold' : 'hover:bg-mosswash'}`}
              onClick={() => {
                setPlain(false);
                setTab(id);
              }}
            >
              {name}
            </button>
          ))}
        </div>
        <AsText plain={plain} onChange={setPlain} />
      </div>
      {plain ? (
        <PlainText onDone={() => setPlain(false)} />
      ) : tab === 'propositions' ? (
        <Propositions />
      ) : (
        <>
          <div className="flex shrink-0 items-center gap-1 px-3 pb-1">
            <AddLine where="next" />
            <AddLine where="under" />
            <RemoveLine />
            <Pictures />
          </div>
          <ListGrid words={words} />
          <Links />
        </>
      )}
      {!plain && <Tray />}
      <p className="shrink-0 border-t border-hair px-4 py-1.5 text-sm text-muted">
        {ideas.toLocaleString('en')} {ideas === 1 ? 'idea' : 'ideas'}, {links.toLocaleString('en')}{' '}
        {links === 1 ? 'proposition' : 'propositions'}. An idea that is not there yet is made when it is typed.
      </p>
    </>
  );
}
