import { settingsIn, type HandSetting } from '../edit';
import { own, type DiagramCommon, type HouseStyle, type HouseTie } from '../model';
import type { Command, Gesture, Scope } from './command';
import type { Diagram } from './diagram';

/** What of a diagram's style is its house's: all but what is set for a branch, for single entries and for single links. */
export function houseStyleOf(
  { look, palette, styles, roles: made, titleBlock }: DiagramCommon,
  name: string,
): HouseStyle {
  const ruled = Object.values(made).filter(({ rule }) => rule !== null);
  const { everything, tiers, roles, links, lines = {}, tierLines = {} } = styles;
  return {
    houseStyle: 1,
    name,
    look,
    palette: palette ?? null,
    styles: { everything, tiers, roles, links, lines, tierLines },
    roles: Object.fromEntries(ruled.map(({ id, name: called, order, rule }) => [id, { name: called, order, rule }])),
    titleBlock: { shown: titleBlock.shown, author: titleBlock.author },
  };
}

/** What styles set that is a house's to set, by scope and property. */
const settings = (styles: HouseStyle['styles']): ReadonlyMap<string, HandSetting> =>
  new Map(
    settingsIn({ ...styles, branches: {}, only: {}, onlyLinks: {}, enclosures: {} }).map((one) => [
      JSON.stringify([one.scope, one.property]),
      one,
    ]),
  );

/**
 * The gesture that gives a diagram a house style and ties it: what the house does not set is handed back, what is set for branches and single
 * entries stays. Empty where it has it all. `tie`: null leaves it tied as it is.
 */
export function inHouseStyle(diagram: Diagram, house: HouseStyle, tie: HouseTie | null): Gesture {
  const commands: Command[] = [];
  if (diagram.look !== house.look) commands.push({ kind: 'setLook', look: house.look });
  if (JSON.stringify(diagram.palette ?? null) !== JSON.stringify(house.palette))
    commands.push({ kind: 'setPalette', palette: house.palette });
  const [now, wanted] = [settings(houseStyleOf(diagram, 'now').styles), settings(house.styles)];
  for (const [key, setting] of new Map([...now, ...wanted])) {
    const value = wanted.get(key)?.value ?? null;
    if (now.get(key)?.value !== wanted.get(key)?.value)
      commands.push({ kind: 'setStyle', scope: setting.scope as Scope, property: setting.property, value });
  }
  commands.push(...rolesAs(diagram, house.roles));
  const { shown, author } = house.titleBlock;
  if (diagram.titleBlock.shown !== shown || diagram.titleBlock.author !== author)
    commands.push({ kind: 'setTitleBlock', patch: { shown, author } });
  if (tie && (diagram.house?.id !== tie.id || diagram.house.revision !== tie.revision))
    commands.push({ kind: 'setHouse', house: tie });
  return commands;
}

/** Makes the roles with rules those of a house; roles that were only given by hand are the diagram's own and stay, and so does who was given one. */
function rolesAs({ roles }: Diagram, wanted: HouseStyle['roles']): Command[] {
  const commands: Command[] = [];
  for (const [id, role] of Object.entries(wanted)) {
    const have = own(roles, id);
    if (!have) commands.push({ kind: 'putRole', role: { ...role, id, members: [] } });
    else if (
      have.name !== role.name ||
      have.order !== role.order ||
      JSON.stringify(have.rule) !== JSON.stringify(role.rule)
    )
      commands.push({ kind: 'changeRole', id, patch: role });
  }
  for (const { id, rule, members } of Object.values(roles)) {
    if (own(wanted, id) || rule === null) continue;
    commands.push(members.length > 0 ? { kind: 'changeRole', id, patch: { rule: null } } : { kind: 'dropRole', id });
  }
  return commands;
}
