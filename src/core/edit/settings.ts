import { StylePatch, type Diagram, own } from '../model';
import type { CommandOf } from './command';
import { done, formerValues, refused, without, type Outcome } from './outcome';
import { hasRegion, styleSet, withRegion } from './venn';

export function setTitle(diagram: Diagram, command: CommandOf<'setTitle'>): Outcome {
  return done({ ...diagram, title: command.title }, { ...command, title: diagram.title });
}

export function setTitleBlock(diagram: Diagram, command: CommandOf<'setTitleBlock'>): Outcome {
  const { titleBlock } = diagram;
  return done(
    { ...diagram, titleBlock: { ...titleBlock, ...command.patch } },
    { ...command, patch: formerValues(titleBlock, command.patch) },
  );
}

export function setLook(diagram: Diagram, command: CommandOf<'setLook'>): Outcome {
  return done({ ...diagram, look: command.look }, { ...command, look: diagram.look });
}

export function setArrangement(diagram: Diagram, command: CommandOf<'setArrangement'>): Outcome {
  const { arrangement } = diagram;
  return done(
    { ...diagram, arrangement: { ...arrangement, ...command.patch } },
    { ...command, patch: formerValues(arrangement, command.patch) },
  );
}

export function setSheet(diagram: Diagram, command: CommandOf<'setSheet'>): Outcome {
  return done(
    { ...diagram, sheet: { ...diagram.sheet, ...command.patch } },
    { ...command, patch: formerValues(diagram.sheet, command.patch) },
  );
}

const plainTier = { name: null, gap: null };

/** A tier without a name or gap of its own is not kept, so that taking a change back leaves no trace. */
export function setTier(diagram: Diagram, command: CommandOf<'setTier'>): Outcome {
  const key = String(command.tier);
  const former = own(diagram.tiers, key) ?? plainTier;
  const next = { ...former, ...command.patch };
  const plain = next.name === null && next.gap === null;
  return done(
    { ...diagram, tiers: plain ? without(diagram.tiers, [key]) : { ...diagram.tiers, [key]: next } },
    { ...command, patch: formerValues(former, command.patch) },
  );
}

/** Null hands the property back to the next wider scope. */
export function setStyle(diagram: Diagram, command: CommandOf<'setStyle'>): Outcome {
  const { scope, property, value } = command;
  if (value !== null) {
    const valid = StylePatch.safeParse({ [property]: value });
    if (!valid.success) return refused(`“${String(value)}” is not a value for ${property}.`);
  }
  if ((scope.kind === 'branch' || scope.kind === 'this') && !own(diagram.entries, scope.entry)) {
    return refused('The styled entry is no longer in the list.');
  }
  if (scope.kind === 'region') {
    if (diagram.kind !== 'venn' || !hasRegion(diagram.venn, scope.region))
      return refused('That region is no longer there.');
    const before = patchOf(diagram, scope);
    const style = value === null ? without(before, [property]) : { ...before, [property]: value };
    const inverse = { ...command, value: before[property] ?? null };
    return done({ ...diagram, venn: withRegion(diagram.venn, scope.region, { style }) }, inverse);
  }
  if (scope.kind === 'set') return styleSet(diagram, command, scope.set);
  const { styles } = diagram;
  const former = patchOf(diagram, scope);
  const next = value === null ? without(former, [property]) : { ...former, [property]: value };
  const inverse = { ...command, value: former[property] ?? null };
  if (scope.kind === 'everything') return done({ ...diagram, styles: { ...styles, everything: next } }, inverse);
  const [shelf, key] = shelfOf(scope);
  const kept = Object.keys(next).length === 0 ? without(styles[shelf], [key]) : { ...styles[shelf], [key]: next };
  return done({ ...diagram, styles: { ...styles, [shelf]: kept } }, inverse);
}

type NarrowScope = Exclude<CommandOf<'setStyle'>['scope'], { kind: 'everything' | 'region' | 'set' }>;

function shelfOf(scope: NarrowScope): ['tiers' | 'roles' | 'branches' | 'only', string] {
  switch (scope.kind) {
    case 'tier':
      return ['tiers', String(scope.tier)];
    case 'role':
      return ['roles', scope.role];
    case 'branch':
      return ['branches', scope.entry];
    case 'this':
      return ['only', scope.entry];
  }
}

/** What a scope itself sets, without what it takes from wider scopes. */
export function patchOf(diagram: Diagram, scope: CommandOf<'setStyle'>['scope']): StylePatch {
  if (scope.kind === 'everything') return diagram.styles.everything;
  if (scope.kind === 'region')
    return diagram.kind === 'venn' ? (own(diagram.venn.regions, scope.region)?.style ?? {}) : {};
  if (scope.kind === 'set') {
    const set = diagram.kind === 'venn' ? own(diagram.venn.sets, scope.set) : undefined;
    return set ? { ...set.style, ...(set.colour ? { fill: set.colour } : {}) } : {};
  }
  const [shelf, key] = shelfOf(scope);
  return own(diagram.styles[shelf], key) ?? {};
}

export function putInTray(diagram: Diagram, { item }: CommandOf<'putInTray'>): Outcome {
  if (diagram.notPlaced.some((other) => other.id === item.id)) return refused('That line is in the tray already.');
  const notPlaced = [...diagram.notPlaced, item].sort((a, b) => a.line - b.line || (a.id < b.id ? -1 : 1));
  return done({ ...diagram, notPlaced }, { kind: 'takeFromTray', id: item.id });
}

export function takeFromTray(diagram: Diagram, { id }: CommandOf<'takeFromTray'>): Outcome {
  const item = diagram.notPlaced.find((other) => other.id === id);
  if (!item) return refused('That line has been taken from the tray already.');
  return done(
    { ...diagram, notPlaced: diagram.notPlaced.filter((other) => other !== item) },
    { kind: 'putInTray', item },
  );
}
