import { kindOf, type Scope } from '../../../core/diagram';
import { useBench, useParts } from '../context';
import { entryPick, linkPick } from '../selection';
import { roleScope } from '../style/tier-scopes';

/** Selects all that are like the selected entry: of its tier, its role, its branch, or its very style. */
export function SelectAlike() {
  const { store } = useParts();
  const count = useBench((state) => state.selection.length);
  const selected = useBench((state) => state.selected);
  const diagram = useBench((state) => state.diagram);
  if (selected === null) return null;
  const kind = kindOf(diagram.kind);
  const alike = (how: string) => {
    if (how === 'links') return store.getState().pick(Object.keys(diagram.links).map(linkPick));
    const structure = kind.structure(diagram);
    const at = structure.index.get(selected);
    if (at === undefined) return;
    const all = structure.ids.map((_, i) => i);
    const ofScope = (scope: Scope | null) => (scope ? kind.covers(diagram, structure, scope) : []);
    const found =
      how === 'tier'
        ? all.filter((i) => structure.tier[i] === structure.tier[at])
        : how === 'style'
          ? sameStyle(kind.styles(diagram, structure), at)
          : ofScope(how === 'branch' ? { kind: 'branch', entry: selected } : roleScope(diagram, at));
    const others = found.filter((i) => i !== at).map((i) => entryPick(structure.ids[i]!));
    store.getState().pick([...others, entryPick(selected)]);
  };
  return (
    <label className="flex items-center gap-1 text-sm text-muted">
      <span className="sr-only">Select also</span>
      <select
        className="max-w-32 border border-edge bg-raised text-sm"
        aria-label="Select also"
        value=""
        onChange={(event) => alike(event.target.value)}
      >
        <option value="">{count > 1 ? `${count} selected` : 'Select also …'}</option>
        <option value="tier">all of this tier</option>
        {kind.roles.length > 0 && <option value="role">all of this role</option>}
        {kind.edits.noneUnderAnother === null && <option value="branch">all of this branch</option>}
        <option value="style">all of the same style</option>
        {Object.keys(diagram.links).length > 0 && <option value="links">all links instead</option>}
      </select>
    </label>
  );
}

const sameStyle = (styles: readonly unknown[], at: number): number[] =>
  styles.flatMap((style, i) => (style === styles[at] ? [i] : []));
