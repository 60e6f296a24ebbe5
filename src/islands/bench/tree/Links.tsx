import { ArrowLeftRight, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { kindOf } from '../../../core/diagram';
import { own, type Link } from '../../../core/model';
import { newId } from '../../shared/ids';
import { useBench, useParts } from '../context';
import { isPicked, linkPick } from '../selection';

/** The links of the selected entry, or all of them where none is selected: each with its ends and its words, to change, turn round and remove. */
export function Links() {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram);
  const selected = useBench((state) => state.selected);
  const selection = useBench((state) => state.selection);
  const kind = kindOf(diagram.kind).linkKinds.find(({ ofStructure }) => !ofStructure);
  if (!kind) return null;
  const all = Object.values(diagram.links);
  const shown = selected === null ? all : all.filter(({ from, to }) => from === selected || to === selected);
  if (selected === null && all.length === 0) return null;
  const add = (to: string) => {
    if (selected === null || to === '') return;
    const id = newId();
    const link: Link = { id, from: selected, to, kind: kind.id, phrase: '' };
    if (store.getState().perform([{ kind: 'addLink', link }])) store.getState().pick([linkPick(id)]);
  };
  return (
    <section
      aria-label={`${kind.name}s`}
      className="max-h-36 shrink-0 overflow-auto border-t border-hair px-4 py-2 text-sm"
    >
      {shown.length > 0 && (
        <h3 className="label font-sans">
          {kind.name}s ({shown.length})
        </h3>
      )}
      <ul>
        {shown.slice(0, mostShown).map((link) => (
          <LinkRow key={link.id} link={link} selected={isPicked(selection, linkPick(link.id))} />
        ))}
      </ul>
      {shown.length > mostShown && <p className="text-muted">… and {shown.length - mostShown} more.</p>}
      {selected !== null && <AddLink from={selected} name={kind.name} onAdd={add} />}
    </section>
  );
}

const mostShown = 100;

function LinkRow({ link, selected }: { link: Link; selected: boolean }) {
  const { store } = useParts();
  const name = (id: string) => own(store.getState().diagram.entries, id)?.name || 'no name yet';
  const [from, to] = [name(link.from), name(link.to)];
  const pick = () => store.getState().pick([linkPick(link.id)]);
  return (
    <li className={`flex items-center gap-1 py-0.5 ${selected ? 'bg-mosswash' : ''}`}>
      <button
        className="min-w-0 flex-1 text-left wrap-break-word hover:underline"
        aria-pressed={selected}
        onClick={pick}
      >
        {from} → {to}
      </button>
      <input
        className="field min-h-7 w-36 min-w-0 py-0 text-ellipsis"
        title={link.phrase}
        aria-label={`Words on the link from ${from} to ${to}`}
        placeholder="words on it"
        maxLength={200}
        value={link.phrase}
        onChange={(event) =>
          store.getState().perform([{ kind: 'changeLink', id: link.id, patch: { phrase: event.target.value } }], {
            merge: `phrase:${link.id}`,
          })
        }
      />
      <button
        className="plain px-1"
        aria-label={`Turn the link from ${from} to ${to} round`}
        title="Turn round"
        onClick={() =>
          store.getState().perform([{ kind: 'changeLink', id: link.id, patch: { from: link.to, to: link.from } }])
        }
      >
        <ArrowLeftRight size={14} aria-hidden="true" />
      </button>
      <button
        className="plain px-1"
        aria-label={`Remove the link from ${from} to ${to}`}
        title="Remove"
        onClick={() => store.getState().perform([{ kind: 'removeLink', id: link.id }])}
      >
        <Trash2 size={14} aria-hidden="true" />
      </button>
    </li>
  );
}

const collator = new Intl.Collator();
const mostChoices = 3000;

/** The choice of the other end; the names are gathered only once the choice is turned to. */
function AddLink({ from, name, onAdd }: { from: string; name: string; onAdd: (to: string) => void }) {
  const { store } = useParts();
  const [choices, setChoices] = useState<readonly { id: string; name: string }[]>([]);
  const gather = () => {
    const { diagram } = store.getState();
    const linked = new Set(Object.values(diagram.links).flatMap((link) => (link.from === from ? [link.to] : [])));
    const others = Object.values(diagram.entries).filter(
      (one) => one.id !== from && one.name !== '' && !linked.has(one.id),
    );
    setChoices(others.sort((a, b) => collator.compare(a.name, b.name)).slice(0, mostChoices));
  };
  return (
    <label className="mt-1 flex items-center gap-2">
      {name} to
      <select
        className="field min-h-7 flex-1 py-0"
        value=""
        onFocus={gather}
        onPointerDown={() => choices.length === 0 && gather()}
        onBlur={() => setChoices([])}
        onChange={(event) => onAdd(event.target.value)}
      >
        <option value="">choose …</option>
        {choices.map((one) => (
          <option key={one.id} value={one.id}>
            {one.name}
          </option>
        ))}
      </select>
    </label>
  );
}
