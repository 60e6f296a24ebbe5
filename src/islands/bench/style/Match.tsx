import { useEffect, useState } from 'react';
import type { Scope } from '../../../core/diagram';
import { own } from '../../../core/model';
import { useBench, useParts } from '../context';
import type { GivenStyle } from './given-style';
import { giveMatched, matchingCommands, seenStyle } from './match-style';
import type { RowGroup } from './properties';
import { roleScope } from './tier-scopes';

/** The style of the selected entry, or a part of it, given to the next ones clicked, to its tier or to its role. */
export function Match({
  entry,
  groups,
  here,
}: {
  entry: string;
  groups: readonly RowGroup[];
  here: readonly GivenStyle['property'][];
}) {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram);
  const structure = useBench((state) => state.structure);
  const [part, setPart] = useState('all');
  const at = structure.index.get(entry);
  if (at === undefined) return null;
  const all = groups.flatMap(({ rows }) => rows.map(({ property }) => property));
  const chosen =
    part === 'here' && here.length > 0
      ? here
      : (groups.find(({ name }) => name === part)?.rows.map(({ property }) => property) ?? all);
  const role = roleScope(diagram, at);
  const giveTo = (scope: Scope) =>
    store.getState().perform(matchingCommands(diagram, [scope], seenStyle(diagram, entry, chosen)));
  return (
    <section aria-label="Match" className="mt-3 border-t border-edge pt-2">
      <p className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <span className="label font-sans">Match</span>
        <select
          className="field min-h-7 max-w-44 py-0 text-sm"
          aria-label="Which of its style"
          value={part}
          onChange={(event) => setPart(event.target.value)}
        >
          <option value="all">all of its style</option>
          {here.length > 0 && <option value="here">what is set for it alone</option>}
          {groups.map(({ name }) => (
            <option key={name} value={name}>
              {name.toLowerCase()}
            </option>
          ))}
        </select>
      </p>
      <Matched />
      <p className="mt-1 flex flex-wrap gap-x-4 gap-y-1">
        <span className="text-muted">Give it to</span>
        <button
          className="plain"
          onClick={() => store.getState().set({ matching: { entry, given: seenStyle(diagram, entry, chosen) } })}
        >
          the next ones clicked
        </button>
        <button className="plain" onClick={() => giveTo({ kind: 'tier', tier: structure.tier[at]! })}>
          its tier
        </button>
        {role && (
          <button className="plain" onClick={() => giveTo(role)}>
            its role
          </button>
        )}
      </p>
    </section>
  );
}

/** While a style is being matched: whoever is clicked takes it, R gives it to what is selected, Escape ends it. */
function Matched() {
  const { store } = useParts();
  const matching = useBench((state) => state.matching);
  const name = useBench((state) => (matching ? own(state.diagram.entries, matching.entry)?.name : null));
  useEffect(() => {
    if (!matching) return;
    let before = store.getState().selection;
    const clicked = () => {
      const now = store.getState().selection;
      if (now !== before) giveMatched(store);
      before = store.getState().selection;
    };
    const ended = (event: KeyboardEvent) => {
      if (event.key === 'Escape') store.getState().set({ matching: null });
    };
    window.addEventListener('click', clicked);
    window.addEventListener('keydown', ended);
    return () => {
      window.removeEventListener('click', clicked);
      window.removeEventListener('keydown', ended);
    };
  }, [matching, store]);
  // Whoever leaves Style, or what applies to one alone, is done with it.
  useEffect(() => () => store.getState().set({ matching: null }), [store]);
  if (!matching) return null;
  return (
    <p role="status" className="mt-2 flex flex-wrap items-center gap-x-3 border-l-4 border-moss bg-mosswash px-2 py-1">
      Click whoever is to look like {name || 'this entry'}.
      <button className="plain" onClick={() => store.getState().set({ matching: null })}>
        Done
      </button>
    </p>
  );
}
