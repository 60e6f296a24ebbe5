import type { Scope } from '../../../core/model';
import { kindOf } from '../../../core/kind';
import { entriesIn } from '../../../core/style';
import { roleName, roleOf, roman, structureOf } from '../../../core/tiers';
import { useBench, useParts } from '../context';

interface Choice {
  readonly scope: Scope;
  readonly words: string;
}

/** What a change applies to, from everything to only this; the narrower ones follow the selection. */
export function ScopeList() {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram);
  const scope = useBench((state) => state.scope);
  const selected = useBench((state) => state.selected);
  const structure = structureOf(diagram.entries);
  const at = selected === null ? undefined : structure.index.get(selected);
  const tierTotal = structure.tierStart.length - 1;
  const tier =
    at !== undefined ? structure.tier[at]! : scope.kind === 'tier' ? Math.min(scope.tier, Math.max(1, tierTotal)) : 1;
  const shownTier = scope.kind === 'tier' && scope.tier <= tierTotal ? scope.tier : tier;
  const role =
    at === undefined
      ? scope.kind === 'role'
        ? scope.role
        : 'manager'
      : (roleOf(diagram, structure, at) ?? (scope.kind === 'role' ? scope.role : 'manager'));
  const tierName = diagram.tiers[String(shownTier)]?.name;
  const choices: Choice[] = [
    { scope: { kind: 'everything' }, words: 'Everything' },
    { scope: { kind: 'tier', tier: shownTier }, words: `Tier ${roman(shownTier)}${tierName ? `, ${tierName}` : ''}` },
    { scope: { kind: 'role', role }, words: `Role: ${roleName(role).toLowerCase()}` },
  ];
  if (selected !== null && at !== undefined) {
    const name = diagram.entries[selected]!.name || 'this entry';
    if (structure.count[at]! > 0)
      choices.push({ scope: { kind: 'branch', entry: selected }, words: `Branch: ${name}` });
    choices.push({ scope: { kind: 'this', entry: selected }, words: `Only ${name}` });
  }
  const same = (one: Scope) => JSON.stringify(one) === JSON.stringify(scope);
  const light = (one: Scope | null) =>
    store.getState().set({ lit: new Set(one ? entriesIn(diagram, structure, one).map((i) => structure.ids[i]!) : []) });
  return (
    <fieldset>
      <legend className="label mb-2">Applies to</legend>
      <div className="border border-edge" onPointerLeave={() => light(null)}>
        {choices.map((choice, i) => {
          const chosen = same(choice.scope);
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
                  onChange={() => store.getState().set({ scope: choice.scope })}
                />
                <span className={`truncate ${chosen ? 'font-semibold' : ''}`}>{choice.words}</span>
                <span className="ml-auto text-muted">{entriesIn(diagram, structure, choice.scope).length}</span>
              </label>
              {choice.scope.kind === 'tier' && tierTotal > 1 && (
                <select
                  aria-label="Which tier"
                  className="mr-1 border border-edge bg-raised text-sm"
                  value={shownTier}
                  onChange={(event) =>
                    store.getState().set({ scope: { kind: 'tier', tier: Number(event.target.value) } })
                  }
                >
                  {Array.from({ length: tierTotal }, (_, t) => (
                    <option key={t} value={t + 1}>
                      {roman(t + 1)}
                    </option>
                  ))}
                </select>
              )}
              {choice.scope.kind === 'role' && (
                <select
                  aria-label="Which role"
                  className="mr-1 border border-edge bg-raised text-sm"
                  value={role}
                  onChange={(event) => store.getState().set({ scope: { kind: 'role', role: event.target.value } })}
                >
                  {kindOf(diagram.kind).roles.map(({ id: one }) => (
                    <option key={one} value={one}>
                      {roleName(one)}
                    </option>
                  ))}
                </select>
              )}
            </div>
          );
        })}
      </div>
    </fieldset>
  );
}
