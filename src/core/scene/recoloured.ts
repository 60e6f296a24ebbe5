import type { BoxStyle, DiagramCommon } from '../model';
import { fadedEnd, inkOnGround, lookOf } from '../style';
import type { Primitive, Scene, SceneGroup } from './scene';

interface Coloured {
  readonly diagram: DiagramCommon;
  readonly styles: readonly BoxStyle[];
  /** What else the kind colours, in an order that is the same in both. */
  readonly others: readonly string[];
}

/** What becomes of colours, by what they are now. */
type Colours = ReadonlyMap<string, string>;

const inColours = (one: Primitive, colours: Colours): Primitive => {
  const of = (colour: string): string => colours.get(colour) ?? colour;
  if (one.type === 'image') return one;
  if (one.type === 'text' || one.type === 'curvedText') return { ...one, fill: of(one.fill) };
  return { ...one, ...(one.fill !== undefined && { fill: of(one.fill) }), stroke: of(one.stroke) } as Primitive;
};

/** The box of an entry, its text and its signs in the colours of another style; nothing moves. */
function entryIn(group: SceneGroup, before: BoxStyle, now: BoxStyle, ofLook: Colours): SceneGroup {
  const others: Colours = new Map([
    [before.text, now.text],
    [before.border, now.border],
    [before.fill, now.fill],
    [before.signColour, now.signColour],
  ]);
  const box = group.children.findIndex(({ type }) => type === 'box');
  const children = group.children.map((one, k): Primitive => {
    if (k === box && one.type === 'box') {
      const fade = one.fade && { fade: fadedEnd(now.fill, now.text) };
      return { ...one, fill: now.fill, stroke: now.border, ...fade };
    }
    if (one.type === 'text' && one.part !== 'mark') {
      const [was, is] = one.part === 'name' ? [before.text, now.text] : [before.detailText, now.detailText];
      // What stands on the page, as in a key, is in the colour that reads there.
      return { ...one, fill: one.fill === was ? is : (ofLook.get(one.fill) ?? one.fill) };
    }
    return inColours(one, others);
  });
  return { ...group, children };
}

/**
 * A drawing in the colours that it will have, with all in its place and in the shapes that it has: what will do for a first sight of another look. Both of
 * the same entries. O(primitives).
 */
export function recoloured(scene: Scene, before: Coloured, now: Coloured, index: ReadonlyMap<string, number>): Scene {
  const [was, is] = [lookOf(before.diagram), lookOf(now.diagram)];
  const ofLook: Colours = new Map([
    ...before.others.map((colour, k) => [colour, now.others[k] ?? colour] as const),
    [was.ground, is.ground],
    [inkOnGround(was), inkOnGround(is)],
    [was.line, is.line],
  ]);
  const inLook = (group: SceneGroup): SceneGroup => ({
    ...group,
    children: group.children.map((one) => inColours(one, ofLook)),
  });
  const groups = scene.groups.map((group): SceneGroup => {
    const i = group.stands.for === 'entry' ? index.get(group.stands.id) : undefined;
    if (i === undefined) return inLook(group);
    const [old, next] = [before.styles[i]!, now.styles[i]!];
    return old === next ? group : entryIn(group, old, next, ofLook);
  });
  return { ...scene, sheet: { ...scene.sheet, ground: is.ground }, groups, notes: scene.notes.map(inLook) };
}
