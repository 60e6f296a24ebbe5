import { useVirtualizer } from '@tanstack/react-virtual';
import { ArrowLeftRight, Trash2, Waypoints } from 'lucide-react';
import { useEffect, useId, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import {
  endWritten,
  linksInList,
  propositionWritten,
  split,
  turnedRound,
  type ConceptMap,
} from '../../../../core/kinds/concept-map';
import { own, type Link } from '../../../../core/model';
import { addNext } from '../../../../core/hierarchy';
import { foldName } from '../../../../core/read';
import { newId } from '../../../shared/ids';
import { useBench, useParts } from '../../context';
import { isPicked, linkPick, linksOf } from '../../selection';

const rowHeight = 32;
const tracks = 'grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_minmax(0,1fr)] items-stretch';
/** So many ideas are offered while one is typed. */
const mostOffered = 500;

/** Every proposition on a line: idea, linking phrase, idea; a line at the end for a new one. Typing an idea that is not there makes it. */
export function Propositions() {
  const diagram = useBench((state) => state.diagram as ConceptMap);
  const selection = useBench((state) => state.selection);
  const links = useMemo(() => linksInList(diagram), [diagram]);
  const ideas = useId();
  const frame = useRef<HTMLDivElement>(null);
  const rows = useVirtualizer({
    count: links.length,
    getScrollElement: () => frame.current,
    estimateSize: () => rowHeight,
    overscan: 8,
  });
  const wanted = linksOf(selection).at(-1);
  const at = wanted === undefined ? -1 : links.findIndex(({ id }) => id === wanted);
  useEffect(() => {
    if (at >= 0) rows.scrollToIndex(at);
  }, [at, rows]);
  return (
    <div data-propositions className="flex min-h-0 flex-1 flex-col">
      <Tools />
      <datalist id={ideas}>
        {Object.values(diagram.entries)
          .slice(0, mostOffered)
          .map(({ id, name }) => (
            <option key={id} value={name} />
          ))}
      </datalist>
      <div
        ref={frame}
        className="min-h-0 flex-1 overflow-auto border-t border-hair"
        role="grid"
        aria-label="Propositions"
        aria-rowcount={links.length + 1}
        aria-colcount={3}
      >
        <div role="rowgroup">
          <div role="row" className={`${tracks} border-b border-hair text-sm text-muted`}>
            {['Idea', 'Phrase', 'Leads to'].map((name) => (
              <span key={name} role="columnheader" className="px-2 py-1">
                {name}
              </span>
            ))}
          </div>
        </div>
        <div role="rowgroup" className="relative" style={{ height: rows.getTotalSize() }}>
          {rows.getVirtualItems().map((item) => {
            const link = links[item.index]!;
            return (
              <Row
                key={link.id}
                link={link}
                line={item.index}
                top={item.start}
                ideas={ideas}
                selected={isPicked(selection, linkPick(link.id))}
              />
            );
          })}
        </div>
      </div>
      <NewRow ideas={ideas} />
    </div>
  );
}

/** What can be done with the propositions that are selected. */
function Tools() {
  const { store } = useParts();
  const links = useBench((state) => state.diagram.links);
  const picked = linksOf(useBench((state) => state.selection)).flatMap((id) => own(links, id) ?? []);
  const { perform, pick } = store.getState();
  const last = picked.at(-1);
  const splitLast = () => {
    const idea = newId();
    if (!last) return;
    const gesture = split(store.getState().diagram as ConceptMap, last, { idea, link: newId() });
    if (perform(gesture, { select: idea })) store.getState().set({ editing: idea });
  };
  return (
    <div role="toolbar" aria-label="The selected proposition" className="flex shrink-0 items-center gap-1 px-3 pb-1">
      <button className="plain" disabled={!last} onClick={() => perform(picked.flatMap(turnedRound))}>
        <ArrowLeftRight size={15} aria-hidden="true" /> Turn round
      </button>
      <button className="plain" disabled={!last} title="Put a new idea into the middle of it" onClick={splitLast}>
        <Waypoints size={15} aria-hidden="true" /> Idea between
      </button>
      <button
        className="plain"
        disabled={!last}
        onClick={() => perform(picked.map(({ id }) => ({ kind: 'removeLink', id }))) && pick([])}
      >
        <Trash2 size={15} aria-hidden="true" /> Remove
      </button>
    </div>
  );
}

/** Up and down between the lines, in the same column. */
function moveByArrow(event: KeyboardEvent<HTMLInputElement>): void {
  if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return;
  const all = [
    ...event.currentTarget
      .closest('[data-propositions]')!
      .querySelectorAll<HTMLInputElement>(`input[data-column="${event.currentTarget.dataset['column']}"]`),
  ].sort((a, b) => a.getBoundingClientRect().top - b.getBoundingClientRect().top);
  const next = all[all.indexOf(event.currentTarget) + (event.key === 'ArrowDown' ? 1 : -1)];
  if (!next) return;
  event.preventDefault();
  next.focus();
  next.select();
}

function Row({
  link,
  line,
  top,
  ideas,
  selected,
}: {
  link: Link;
  line: number;
  top: number;
  ideas: string;
  selected: boolean;
}) {
  const { store } = useParts();
  const [from, to] = [
    useBench((state) => own(state.diagram.entries, link.from)?.name ?? ''),
    useBench((state) => own(state.diagram.entries, link.to)?.name ?? ''),
  ];
  const { perform, notify } = store.getState();
  const write = (end: 'from' | 'to', typed: string): boolean => {
    const told = endWritten(store.getState().diagram as ConceptMap, link, end, typed, newId);
    if (!told.ok) notify([told.reason]);
    return told.ok && (told.gesture.length === 0 || perform(told.gesture));
  };
  const cell = 'min-w-0 border-r border-hair bg-transparent px-2 text-ellipsis focus:bg-raised';
  return (
    <div
      role="row"
      aria-selected={selected}
      aria-rowindex={line + 2}
      className={`absolute inset-x-0 ${tracks} border-b border-hair ${selected ? 'bg-mosswash' : ''}`}
      style={{ top, height: rowHeight }}
      onFocus={() => !selected && store.getState().pick([linkPick(link.id)])}
      onPointerEnter={() => store.getState().set({ lit: new Set([link.from, link.to]) })}
      onPointerLeave={() => store.getState().set({ lit: new Set() })}
    >
      <EndCell
        column="from"
        value={from}
        label={`Idea, line ${line + 1}`}
        className={cell}
        ideas={ideas}
        write={(typed) => write('from', typed)}
      />
      <span role="gridcell" className="contents">
        <input
          data-column="phrase"
          aria-label={`Linking phrase, line ${line + 1}`}
          className={`${cell} italic`}
          placeholder="…"
          maxLength={200}
          value={link.phrase}
          onChange={(event) =>
            perform([{ kind: 'changeLink', id: link.id, patch: { phrase: event.target.value } }], {
              merge: `phrase:${link.id}`,
            })
          }
          onKeyDown={moveByArrow}
        />
      </span>
      <EndCell
        column="to"
        value={to}
        label={`Leads to, line ${line + 1}`}
        className={cell}
        ideas={ideas}
        write={(typed) => write('to', typed)}
      />
    </div>
  );
}

/** An idea at the end of a link: what is typed is taken when the cell is left or Enter is pressed; Escape takes it back. */
function EndCell({
  column,
  value,
  label,
  className,
  ideas,
  write,
}: {
  column: 'from' | 'to';
  value: string;
  label: string;
  className: string;
  ideas: string;
  write: (typed: string) => boolean;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const take = () => {
    if (typed !== null && typed !== value) write(typed);
    setTyped(null);
  };
  return (
    <span role="gridcell" className="contents">
      <input
        data-column={column}
        aria-label={label}
        className={className}
        list={ideas}
        maxLength={400}
        placeholder="no name yet"
        value={typed ?? value}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key === 'Enter') take();
          else if (event.key === 'Escape') setTyped(null);
          else moveByArrow(event);
        }}
      />
    </span>
  );
}

/** The line for a new proposition: Enter adds it, and the next is begun. */
function NewRow({ ideas }: { ideas: string }) {
  const { store } = useParts();
  const first = useRef<HTMLInputElement>(null);
  const [told, setTold] = useState({ from: '', phrase: '', to: '' });
  // Where the list asks for the focus, as after a map was made, the next proposition can be typed at once.
  const wanted = useBench((state) => state.focus);
  const isEmpty = useBench((state) => state.structure.ids.length === 0);
  useEffect(() => {
    if (isEmpty || wanted) first.current?.focus();
  }, [isEmpty, wanted]);
  const add = () => {
    const [from, to] = [told.from.trim(), told.to.trim()];
    if (from === '' && to === '') return;
    if (from === '' || (to === '' && told.phrase.trim() === '')) {
      // An idea alone is no proposition yet, and an idea all the same.
      const { diagram, perform, notify } = store.getState();
      const known = Object.values(diagram.entries).some(({ name }) => foldName(name) === foldName(from || to));
      if (known) notify([`“${from || to}” is there already: say what it leads to.`]);
      else if (perform(addNext(diagram, null, { id: newId(), name: (from || to).slice(0, 400) })))
        setTold({ from: '', phrase: '', to: '' });
      return;
    }
    const made = propositionWritten(store.getState().diagram as ConceptMap, told, newId);
    if (!made.ok) {
      store.getState().notify([made.reason]);
      return;
    }
    if (!store.getState().perform(made.gesture)) return;
    if (made.link) store.getState().pick([linkPick(made.link)]);
    setTold({ from: told.from, phrase: told.phrase, to: '' });
    first.current?.focus();
    first.current?.select();
  };
  const field = (key: keyof typeof told, label: string) => (
    <input
      ref={key === 'from' ? first : undefined}
      data-column={key}
      aria-label={label}
      className={`min-w-0 border-r border-hair bg-transparent px-2 py-1 focus:bg-raised ${key === 'phrase' ? 'italic' : ''}`}
      {...(key !== 'phrase' && { list: ideas })}
      maxLength={key === 'phrase' ? 200 : 400}
      placeholder={{ from: 'idea', phrase: 'linking phrase', to: 'idea' }[key]}
      value={told[key]}
      onChange={(event) => setTold({ ...told, [key]: event.target.value })}
      onKeyDown={(event) => {
        if (event.key === 'Enter') add();
        else moveByArrow(event);
      }}
    />
  );
  return (
    <div
      role="group"
      aria-label="New proposition"
      className={`${tracks} shrink-0 border-y-2 border-edge bg-raised`}
      style={{ height: rowHeight + 4 }}
    >
      {field('from', 'New proposition: idea')}
      {field('phrase', 'New proposition: linking phrase')}
      {field('to', 'New proposition: leads to')}
    </div>
  );
}
