import { useEffect } from 'react';
import { kindOf, type Scope } from '../../../core/diagram';
import { own } from '../../../core/model';
import { useBench, useParts } from '../context';
import { partsOf } from '../kinds';
import { entriesOf, linksOf } from '../selection';
import { isSameScope, scopesShown } from './scopes-shown';

/** What a change applies to, from everything to only this; the narrower ones follow the selection. */
export function ScopeList() {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram);
  const drawn = useBench((state) => state.drawn);
  const asked = useBench((state) => state.scope);
  const selection = useBench((state) => state.selection);
  const kind = kindOf(diagram.kind);
  const structure = kind.structure(diagram);
  const parts = partsOf(diagram.kind);
  const { choices, scope } = scopesShown(parts, diagram, { ...drawn, structure }, { scope: asked, selection });
  useEffect(() => {
    if (!isSameScope(asked, scope)) store.getState().set({ scope });
  });
  const covered = (one: Scope) => kind.covers(diagram, structure, one);
  const count = (one: Scope): number =>
    one.kind === 'lines'
      ? structure.ids.filter((id, i) =>
          one.tier === null
            ? own(diagram.entries, id)!.parent !== null || structure.tier[i]! > 1
            : structure.tier[i] === one.tier,
        ).length
      : one.kind === 'links'
        ? kind.linkKinds[0]?.ofStructure
          ? Object.values(diagram.entries).filter(({ parent }) => parent !== null).length
          : Object.keys(diagram.links).length
        : one.kind === 'link'
          ? linksOf(selection).length
          : one.kind === 'this'
            ? Math.max(1, entriesOf(selection).length)
            : covered(one).length;
  const light = (one: Scope | null) =>
    store.getState().set({
      lit: new Set(one ? covered(one).map((i) => structure.ids[i]!) : []),
      litRegions: new Set(one ? parts.litRegions?.(one) : []),
    });
  const choose = (one: Scope) => store.getState().set({ scope: one });
  return (
    <fieldset className="min-w-0">
      <legend className="label mb-2">Applies to</legend>
      <div className="border border-edge" onPointerLeave={() => light(null)}>
        {choices.map((choice, i) => {
          const chosen = isSameScope(choice.scope, scope);
          return (
            <div
              key={choice.scope.kind}
              className={`flex items-center border-b border-hair last:border-b-0 ${chosen ? 'border-l-4 border-l-moss bg-mosswash' : ''}`}
              onPointerEnter={() => light(choice.scope)}
            >
              <label
                className="flex min-w-0 flex-1 cursor-pointer items-center gap-2 py-1.5 pr-2"
                style={{ paddingLeft: 8 + i * 10 }}
              >
                <input
                  type="radio"
                  name="scope"
                  className="accent-moss"
                  checked={chosen}
                  onChange={() => choose(choice.scope)}
                />
                <span className={`min-w-0 wrap-break-word ${chosen ? 'font-semibold' : ''}`}>{choice.words}</span>
                <span className="ml-auto text-muted">{count(choice.scope)}</span>
              </label>
              {choice.among && (
                <Among
                  label={choice.among.label}
                  words={choice.among.options.map((one) => one.words)}
                  at={choice.among.options.findIndex((one) => isSameScope(one.scope, choice.scope))}
                  choose={(at) => choose(choice.among!.options[at]!.scope)}
                />
              )}
            </div>
          );
        })}
      </div>
    </fieldset>
  );
}

/** Words longer than this find no room beside what they are chosen for, which tells them anyway. */
const mostLetters = 12;

/** Another of the same kind. */
function Among({
  label,
  words,
  at,
  choose,
}: {
  label: string;
  words: readonly string[];
  at: number;
  choose: (at: number) => void;
}) {
  const long = words.some((one) => one.length > mostLetters);
  return (
    <select
      aria-label={label}
      className="mr-1 border border-edge bg-raised text-sm"
      value={long ? -1 : at}
      onChange={(event) => choose(Number(event.target.value))}
    >
      {long && (
        <option value={-1} hidden>
          another
        </option>
      )}
      {words.map((one, k) => (
        <option key={k} value={k}>
          {one}
        </option>
      ))}
    </select>
  );
}
