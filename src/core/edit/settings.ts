import {
  commonScope,
  LinkPatch,
  own,
  plainLegend,
  StylePatch,
  type AnyScope,
  type CommonScope,
  type DiagramCommon,
  type Styles,
} from '../model';
import type { CommandOf, SetStyle } from './command';
import type { KindEdits } from './kind-edits';
import type { Workspace } from './workspace';
import { done, formerValues, refused, without, type Outcome } from './outcome';

export function setTitle<D extends DiagramCommon>(diagram: D, command: CommandOf<'setTitle'>): Outcome<D> {
  return done({ ...diagram, title: command.title }, { ...command, title: diagram.title });
}

export function setTitleBlock<D extends DiagramCommon>(diagram: D, command: CommandOf<'setTitleBlock'>): Outcome<D> {
  const { titleBlock } = diagram;
  return done(
    { ...diagram, titleBlock: { ...titleBlock, ...command.patch } },
    { ...command, patch: formerValues(titleBlock, command.patch) },
  );
}

/** A legend as usual is not kept, so that taking a change back leaves no trace. */
export function setLegend<D extends DiagramCommon>(diagram: D, command: CommandOf<'setLegend'>): Outcome<D> {
  const { legend: former = plainLegend, ...rest } = diagram;
  const legend = { ...former, ...command.patch };
  const usual = Object.entries(plainLegend).every(([part, value]) => legend[part as keyof typeof legend] === value);
  const next = usual ? (rest as unknown as D) : { ...diagram, legend };
  return done(next, { ...command, patch: formerValues(former, command.patch) });
}

export function setLook<D extends DiagramCommon>(diagram: D, command: CommandOf<'setLook'>): Outcome<D> {
  return done({ ...diagram, look: command.look }, { ...command, look: diagram.look });
}

export function setHouse<D extends DiagramCommon>(diagram: D, command: CommandOf<'setHouse'>): Outcome<D> {
  const { house: former = null, ...rest } = diagram;
  const next = command.house ? { ...diagram, house: command.house } : (rest as unknown as D);
  return done(next, { ...command, house: former });
}

/** A palette that asks for nothing is not kept, so that taking a change back leaves no trace. */
export function setPalette<D extends DiagramCommon>(diagram: D, command: CommandOf<'setPalette'>): Outcome<D> {
  const { palette: former = null, ...rest } = diagram;
  const { palette } = command;
  const none = !palette || (palette.hue === null && palette.colours.length === 0 && palette.ground === null);
  const next = none ? (rest as unknown as D) : { ...diagram, palette };
  return done(next, { ...command, palette: former });
}

export function setArrangement<D extends DiagramCommon>(diagram: D, command: CommandOf<'setArrangement'>): Outcome<D> {
  const { arrangement } = diagram;
  return done(
    { ...diagram, arrangement: { ...arrangement, ...command.patch } },
    { ...command, patch: formerValues(arrangement, command.patch) },
  );
}

export function setSheet<D extends DiagramCommon>(diagram: D, command: CommandOf<'setSheet'>): Outcome<D> {
  return done(
    { ...diagram, sheet: { ...diagram.sheet, ...command.patch } },
    { ...command, patch: formerValues(diagram.sheet, command.patch) },
  );
}

const plainTier = { name: null, gap: null, width: null };

/** A tier without a name, gap or width of its own is not kept, so that taking a change back leaves no trace. */
export function setTier<D extends DiagramCommon>(diagram: D, command: CommandOf<'setTier'>): Outcome<D> {
  const key = String(command.tier);
  const former = own(diagram.tiers, key) ?? plainTier;
  const next = { ...former, ...command.patch };
  const plain = next.name === null && next.gap === null && next.width === null;
  return done(
    { ...diagram, tiers: plain ? without(diagram.tiers, [key]) : { ...diagram.tiers, [key]: next } },
    { ...command, patch: formerValues(former, command.patch) },
  );
}

/** A nudge of nothing is none, so that taking it back leaves no trace. */
export function setNudge<D extends DiagramCommon>(
  diagram: D,
  command: CommandOf<'setNudge'>,
  work: Workspace,
): Outcome<D> {
  const { id, nudge } = command;
  if (!own(diagram.entries, id)) return refused('The nudged entry is no longer in the list.');
  const former = own(diagram.nudges, id) ?? null;
  const none = nudge === null || (nudge.x === 0 && nudge.y === 0);
  const nudges = none ? work.drop(diagram.nudges, id) : work.put(diagram.nudges, id, nudge);
  return done({ ...diagram, nudges }, { ...command, nudge: former });
}

type Shelf = keyof Styles;

/** Where a common scope keeps its styles: a record of its own, or a place in a record by a key. */
function shelfOf(scope: CommonScope): readonly [Shelf, string | null] {
  switch (scope.kind) {
    case 'everything':
      return ['everything', null];
    case 'links':
      return ['links', null];
    case 'link':
      return ['onlyLinks', scope.link];
    case 'lines':
      return scope.tier === null ? ['lines', null] : ['tierLines', String(scope.tier)];
    case 'tier':
      return ['tiers', String(scope.tier)];
    case 'role':
      return ['roles', scope.role];
    case 'enclosure':
      return ['enclosures', scope.enclosure];
    case 'branch':
      return ['branches', scope.entry];
    case 'this':
      return ['only', scope.entry];
  }
}

/** True where a scope styles links, and so is set in their properties. */
export const stylesLinks = (scope: AnyScope): boolean =>
  scope.kind === 'links' || scope.kind === 'link' || scope.kind === 'lines';

/** Null hands the property back to the next wider scope. A scope with nothing of its own is not kept. */
export function setStyle<D extends DiagramCommon>(diagram: D, command: SetStyle, kind: KindEdits<D>): Outcome<D> {
  const { property, value } = command;
  const patch = stylesLinks(command.scope) ? LinkPatch : StylePatch;
  // Also where it is handed back: what the scope cannot set is no property of it.
  if (!(property in patch.shape)) return refused(`${property} is nothing that this scope can set.`);
  if (value !== null && !patch.safeParse({ [property]: value }).success)
    return refused(`“${String(value)}” is not a value for ${property}.`);
  const scope = commonScope(command.scope);
  if (!scope) return kind.setStyle(diagram, command);
  if ((scope.kind === 'branch' || scope.kind === 'this') && !own(diagram.entries, scope.entry))
    return refused('The styled entry is no longer in the list.');
  if (scope.kind === 'link' && !own(diagram.links, scope.link)) return refused('The styled link is no longer there.');
  if (scope.kind === 'enclosure' && !own(diagram.enclosures, scope.enclosure))
    return refused('The styled enclosure is no longer there.');
  const { styles } = diagram;
  const former = commonPatch(diagram, scope);
  const next = withValue(former, property, value);
  const inverse = { ...command, value: own(former as Record<string, unknown>, property) ?? null };
  const [shelf, key] = shelfOf(scope);
  const record = (styles[shelf] ?? {}) as Record<string, StylePatch>;
  const kept =
    key === null ? next : Object.keys(next).length === 0 ? without(record, [key]) : { ...record, [key]: next };
  // What need not be there goes when it is empty, so that taking a change back leaves no trace.
  const gone = optionalShelves.has(shelf) && Object.keys(kept).length === 0;
  return done({ ...diagram, styles: gone ? without(styles, [shelf]) : { ...styles, [shelf]: kept } } as D, inverse);
}

const optionalShelves = new Set<Shelf>(['lines', 'tierLines', 'enclosures']);

/** A patch with a property set, or without it where it is handed back. */
export const withValue = (
  patch: StylePatch | LinkPatch,
  property: SetStyle['property'],
  value: SetStyle['value'],
): Record<string, unknown> => (value === null ? without(patch, [property]) : { ...patch, [property]: value });

function commonPatch({ styles }: DiagramCommon, scope: CommonScope): StylePatch | LinkPatch {
  const [shelf, key] = shelfOf(scope);
  const kept = (styles[shelf] ?? {}) as Record<string, StylePatch>;
  return key === null ? kept : (own(kept, key) ?? {});
}

/** What a scope itself sets, without what it takes from wider scopes. */
export function patchOf<D extends DiagramCommon>(
  diagram: D,
  scope: AnyScope,
  kind: KindEdits<D>,
): StylePatch | LinkPatch {
  const common = commonScope(scope);
  return common ? commonPatch(diagram, common) : kind.patchOf(diagram, scope);
}

export function putInTray<D extends DiagramCommon>(diagram: D, { item }: CommandOf<'putInTray'>): Outcome<D> {
  if (diagram.notPlaced.some((other) => other.id === item.id)) return refused('That line is in the tray already.');
  const notPlaced = [...diagram.notPlaced, item].sort((a, b) => a.line - b.line || (a.id < b.id ? -1 : 1));
  return done({ ...diagram, notPlaced }, { kind: 'takeFromTray', id: item.id } satisfies CommandOf<'takeFromTray'>);
}

export function takeFromTray<D extends DiagramCommon>(diagram: D, { id }: CommandOf<'takeFromTray'>): Outcome<D> {
  const item = diagram.notPlaced.find((other) => other.id === id);
  if (!item) return refused('That line has been taken from the tray already.');
  return done({ ...diagram, notPlaced: diagram.notPlaced.filter((other) => other !== item) }, {
    kind: 'putInTray',
    item,
  } satisfies CommandOf<'putInTray'>);
}
