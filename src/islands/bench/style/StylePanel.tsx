import { RotateCcw } from 'lucide-react';
import { useMemo } from 'react';
import { kindOf, patchOf, type Scope } from '../../../core/diagram';
import { stylesLinks } from '../../../core/edit';
import { linkProperties, own, type LinkProperty } from '../../../core/model';
import { contrastRatio, explainLinks, isInside, lookOf } from '../../../core/style';
import { useBench, useParts } from '../context';
import { partsOf } from '../kinds';
import { giveStyle, handBackAll, liftStyle } from './give-style';
import { HouseStyles } from './HouseStyles';
import { Looks } from './Looks';
import { Match } from './Match';
import { OwnRoles } from './OwnRoles';
import { Palettes } from './Palettes';
import { boxGroups, effectProperties, linkGroups, type Row, type RowGroup, type Told, type Value } from './properties';
import { PropertyRow } from './PropertyRow';
import { ScopeList } from './ScopeList';
import { roleScope } from './tier-scopes';
import { TierColouring } from './TierColouring';

/** Scope first, then what the entries or links in it look like and where each value comes from, then the looks. */
export function StylePanel() {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram);
  const scope = useBench((state) => state.scope);
  const kind = kindOf(diagram.kind);
  const ofLinks = stylesLinks(scope);
  const explained = useMemo(
    (): Readonly<Record<string, Told>> | null =>
      stylesLinks(scope)
        ? explainLinks(diagram, scope, kind.linkKinds)
        : kind.explain(diagram, kind.structure(diagram), scope),
    [diagram, kind, scope],
  );
  const setHere: Readonly<Record<string, Value>> = patchOf(diagram, scope);
  const parts = partsOf(diagram.kind);
  const groups = ofLinks
    ? shownGroups(
        linkGroups,
        scope.kind === 'lines' ? (parts.structureLines ?? []) : drawnLinkProperties(parts.notOfLinks),
      )
    : shownGroups(boxGroups, parts.properties(scope));
  const here = groups.flatMap(({ rows }) =>
    rows.flatMap(({ property }) => (own(setHere, property) === undefined ? [] : [property])),
  );
  const effects = effectProperties.filter((property) => own(setHere, property) !== undefined);
  return (
    <div className="min-h-0 flex-1 overflow-auto px-4 pb-6">
      <ScopeList />
      <p className="mt-1 text-sm text-muted">The narrower goes before the wider: a role before its tier.</p>
      {scope.kind === 'tier' && <TierName tier={scope.tier} />}
      {explained ? (
        <section aria-label="Properties" className="mt-3">
          {groups.map((group, g) => (
            <details key={group.name} open={g < openAtFirst} className="border-b border-edge">
              <summary className="label cursor-pointer py-1.5 font-sans">
                {group.name}
                <SetCount group={group} here={here} />
              </summary>
              {group.rows.map((row) => (
                <PropertyRow
                  key={row.property}
                  row={row}
                  explained={own(explained, row.property)!}
                  originWords={kind.originWords}
                  setHere={own(setHere, row.property)}
                  scope={scope}
                  onChange={(value) => giveStyle(store, scope, { property: row.property, value })}
                />
              ))}
            </details>
          ))}
          <Legibility
            ground={
              ofLinks
                ? lookOf(diagram).ground
                : (parts.textGround?.(diagram, scope) ?? groundOf(explained, lookOf(diagram)))
            }
            text={own(explained, ofLinks ? 'phraseColour' : 'text')?.value ?? null}
          />
          <div className="mt-2 flex flex-wrap gap-x-4 gap-y-1">
            {here.length > 1 && (
              <button className="plain" onClick={() => handBackAll(store, scope, here)}>
                <RotateCcw size={15} aria-hidden="true" /> Hand back all {here.length} set here
              </button>
            )}
            {effects.length > 0 && (
              <button className="plain" onClick={() => handBackAll(store, scope, effects)}>
                Plain again: no effects
              </button>
            )}
          </div>
          {scope.kind === 'this' && here.length > 0 && <Lift scope={scope} />}
          {scope.kind === 'this' && <Match entry={scope.entry} groups={groups} here={here} />}
        </section>
      ) : (
        <p className="mt-4 text-muted">{ofLinks ? 'There is no such line.' : 'No entry has this yet.'}</p>
      )}
      <OwnRoles />
      <TierColouring />
      <Looks kind={diagram.kind} />
      <Palettes />
      <HouseStyles />
    </div>
  );
}

/** So many groups stand open at first: what is changed most often needs no further click. */
const openAtFirst = 2;

/** Links run where their arrangement leads them. */
const drawnLinkProperties = (not: readonly LinkProperty[] = []): LinkProperty[] =>
  linkProperties.filter((property) => property !== 'course' && !not.includes(property));

/** The rows a kind shows, in their groups; a group without any is left out. */
const shownGroups = (groups: readonly RowGroup[], properties: readonly Row['property'][]): RowGroup[] =>
  groups
    .map(({ name, rows }) => ({
      name,
      rows: rows.filter(({ property }) => properties.some((one) => one === property)),
    }))
    .filter(({ rows }) => rows.length > 0);

/** What the text stands on: the fill, or the ground of the sheet beside some shapes. Null where they differ. */
function groundOf(explained: Readonly<Record<string, Told>>, { ground }: { readonly ground: string }): Value | null {
  const shape = explained.shape?.value ?? null;
  if (shape === null) return null;
  return isInside(shape as Parameters<typeof isInside>[0]) ? (explained.fill?.value ?? null) : ground;
}

function SetCount({ group, here }: { group: RowGroup; here: readonly string[] }) {
  const count = group.rows.filter(({ property }) => here.includes(property)).length;
  return count === 0 ? null : (
    <span className="ml-2 text-sm font-normal tracking-normal text-moss normal-case">{count} set here</span>
  );
}

/** What the selected entries set alone can be said for their tiers or roles instead. */
function Lift({ scope }: { scope: Scope }) {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram);
  const structure = useBench((state) => state.structure);
  const tierOf = (entry: string): Scope | null => {
    const at = structure.index.get(entry);
    return at === undefined ? null : { kind: 'tier', tier: structure.tier[at]! };
  };
  const roleOf = (entry: string): Scope | null => {
    const at = structure.index.get(entry);
    return at === undefined ? null : roleScope(diagram, at);
  };
  const hasRole = scope.kind === 'this' && roleOf(scope.entry) !== null;
  return (
    <p className="mt-2 flex flex-wrap gap-x-4 gap-y-1">
      <span className="text-muted">Say it instead for</span>
      <button className="plain" onClick={() => liftStyle(store, scope, tierOf)}>
        the whole tier
      </button>
      {hasRole && (
        <button className="plain" onClick={() => liftStyle(store, scope, roleOf)}>
          the whole role
        </button>
      )}
    </p>
  );
}

function TierName({ tier }: { tier: number }) {
  const { store } = useParts();
  const name = useBench((state) => own(state.diagram.tiers, String(tier))?.name ?? '');
  return (
    <label className="mt-3 grid grid-cols-[6.5rem_1fr] items-center gap-2">
      Called
      <input
        className="field"
        value={name}
        placeholder={`Tier ${tier}`}
        maxLength={80}
        onChange={(event) =>
          store.getState().perform([{ kind: 'setTier', tier, patch: { name: event.target.value || null } }], {
            merge: `tier-name:${tier}`,
          })
        }
      />
    </label>
  );
}

function Legibility({ ground, text }: { ground: Value | null; text: Value | null }) {
  if (typeof ground !== 'string' || typeof text !== 'string') return null;
  const ratio = contrastRatio(ground, text);
  return (
    <p className={`mt-2 text-sm ${ratio < 4.5 ? 'border-l-4 border-brass bg-brasswash px-2 py-1' : 'text-muted'}`}>
      Text stands on what is below it at <strong>{ratio.toFixed(1)} : 1</strong>
      {ratio < 4.5 ? '; below 4.5 : 1 it is hard to read. Choose a darker or lighter text.' : '.'}
    </p>
  );
}
