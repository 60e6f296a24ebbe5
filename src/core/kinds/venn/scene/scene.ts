import { moved, type Ellipse, type ScaleError, type VennLayout } from '../../../arrange/curves';
import { runsOf, sansFace, widthOfRuns } from '../../../measure';
import { keyOfMask, setsInOrder, type VennSet, type Venn } from '../model';
import { KeptFor, sheetName, type BoxStyle, own } from '../../../model';
import { lookOf, inkOnGround, readableText } from '../../../style';
import { regionStyle } from '../styles';
import { overlapName, bitCount } from '../structure';
import type { Listing } from '../../../hierarchy';
import {
  freeRoom,
  keptGroups,
  placeOnSheet,
  type Rect,
  type Scene,
  type SceneGroup,
  type TierBand,
  sheetNotes,
} from '../../../scene';
import { keyHeading } from '../region-words';
import { apart, largestScale, pad, placedEntries, type Placed } from './arrangement';
import { arranged, keyedMasks, type Arranged } from './arranged';
import { keyBeside } from './key';
import { type KeyPart } from './key-plan';
import { framed, listed } from './framed';
import { vennLegend } from './legend';
import { listBelow } from './lists';

import { frame, outlines } from './curve-groups';
import { items } from './item-groups';
import { hatchedSets } from './hatch-sets';
import { fills, plainGroup, regionTitles } from './region-groups';

/** A Scene with the curves of the sets. */
export interface VennScene extends Scene {
  /** In drawing coordinates and in the order of the sets. */
  readonly curves: readonly Ellipse[];
  /** How far the areas are from the counts; only where they are drawn to scale. */
  readonly scaled?: Pick<ScaleError, 'stress' | 'diagError' | 'unwanted'>;
}

/** The groups of the latest drawing of a diagram, found by its sheet, which few edits change. */
const latest = new KeptFor<Venn['sheet'], readonly SceneGroup[]>();

/** From sets, memberships and complete styles to the Scene: curves large enough for what is in their regions, names set inside. */
export function vennScene(diagram: Venn, structure: Listing, styles: readonly BoxStyle[]): VennScene {
  const sets = setsInOrder(diagram.venn);
  const { manner } = diagram.venn;
  const look = lookOf(diagram);
  const ink = inkOnGround(look);
  const legend = vennLegend(diagram);
  const broken = (text: 'wide' | 'narrow') => placedEntries(diagram, structure, styles, sets, text);
  const shown = manner.content === 'names' || manner.content === 'scattered';
  const { whole, surroundings } = arranged(diagram, sets, shown, broken, (one) => ({
    ...framed(diagram, sets, shown, one),
    parts: keyParts(diagram, sets, one, ink),
  }));
  const { names, frame: around, strip, parts } = surroundings;
  const { entries, layout, scaled } = whole;
  const nameOfAll = manner.universe.trim();
  const none = entries.filter(({ mask }) => mask === 0);
  const bank =
    manner.content === 'blank' && manner.wordBank
      ? [...entries].sort((a, b) => a.entry.name.localeCompare(b.entry.name, 'en'))
      : [];
  const frameBottom = around.y + around.height;
  const bankStrip = listBelow(bank.map(listed), { ...around, y: frameBottom + pad }, apart * 1.4);
  const key = keyBeside(
    parts,
    {
      frame: around,
      sheet: freeRoom(diagram, legend),
      avoid: [...names.flatMap((name) => name.boxes), ...(shown ? textBoxes(layout, entries) : [])],
    },
    ink,
  );
  const counted =
    manner.content === 'counts' && none.length > 0 ? countOfNone(none.length, ink, around, frameBottom) : [];
  const right = key.bounds.x + key.bounds.width;
  const bottom = Math.max(bank.length > 0 ? bankStrip.bottom : frameBottom, key.bounds.y + key.bounds.height);
  const [dx, dy] = [-key.bounds.x, -around.y];
  const groups: SceneGroup[] = [
    ...(manner.frame ? [frame(diagram, around, ink, nameOfAll)] : []),
    ...fills(diagram, sets, layout, entries, ink, scaled),
    ...outlines(diagram, sets, layout, names, entries),
    ...regionTitles(diagram, sets, layout, entries),
    ...items(diagram, layout, entries, shown, [...strip, ...bankStrip.places], key.places),
    ...counted,
    ...key.groups,
  ];
  if (look.hatched) {
    // Above the fills, below all that stands in them.
    const at = groups.findIndex(({ stands }) => stands.for === 'set');
    groups.splice(at < 0 ? groups.length : at, 0, ...hatchedSets(layout.ellipses, groups, look.line));
  }
  const placed = keptGroups(
    latest.get(diagram.sheet) ?? [],
    groups.map((group) => ({ ...group, x: group.x + dx, y: group.y + dy })),
  );
  latest.set(diagram.sheet, placed);
  const { sheet, drawing, notes } = placeOnSheet(
    diagram,
    { width: right + dx, height: bottom + dy },
    legend,
    largestScale,
  );
  const sizes = entries.map(({ style }) => style.nameSize);
  return {
    title: diagram.title,
    description: describe(sets, entries),
    sheet: { ...sheet, name: sheetName(diagram.sheet), ground: look.ground },
    drawing,
    direction: 'down',
    groups: placed,
    notes: sheetNotes(diagram, look, sheet, notes),
    tiers: bands(diagram, sets, entries, bottom + dy),
    curves: layout.ellipses.map((e) => moved(e, dx, dy)),
    ...(scaled && { scaled: { stress: scaled.stress, diagError: scaled.diagError, unwanted: scaled.unwanted } }),
    entriesAs: 'names',
    smallestText: sizes.length > 0 ? Math.min(...sizes) * drawing.scale : null,
  };
}

/** The colours of a region, and what reads on its fill. */
function coloursOf(diagram: Venn, mask: number, ink: string): { fill: string; border: string; ink: string } {
  const { fill, border } = regionStyle(diagram, mask);
  const { ink: dark, light } = lookOf(diagram);
  return { fill, border, ink: readableText(ink, fill, dark, light) };
}

/** How many are in none of the sets, at the lower right of the frame. */
function countOfNone(count: number, ink: string, inner: { x: number; width: number }, bottom: number): SceneGroup[] {
  const face = sansFace(600, 'upright');
  const size = 15;
  const runs = runsOf(`${count} in none`, face, size);
  const width = widthOfRuns(runs);
  const at = { x: inner.x + inner.width - width - 10, y: bottom - 10 };
  const bounds = { x: at.x, y: at.y - size, width, height: size * 1.3 };
  const words = `In none of the sets, ${count} ${count === 1 ? 'entry' : 'entries'}`;
  return [
    plainGroup({ for: 'note', id: 'in-none' }, words, bounds, [
      { type: 'text', ...at, size, fill: ink, runs, part: 'detail' },
    ]),
  ];
}

/** The regions whose entries stand in the key. */
function keyParts(
  diagram: Venn,
  sets: readonly VennSet[],
  { entries, layout }: Pick<Arranged, 'entries' | 'layout'>,
  ink: string,
): KeyPart[] {
  return [...keyedMasks(layout)]
    .sort((a, b) => a - b)
    .map((mask) => ({
      mask,
      heading: own(diagram.venn.regions, keyOfMask(sets, mask))?.title ?? keyHeading(sets, mask),
      ...coloursOf(diagram, mask, ink),
      entries: entries.filter((one) => one.mask === mask).map(listed),
      from: layout.regions.find((region) => region.mask === mask)?.middle ?? null,
    }));
}

function textBoxes(layout: VennLayout, entries: readonly Placed[]): Rect[] {
  return layout.regions.flatMap(({ mask, places }) => {
    const inside = entries.filter((one) => one.mask === mask);
    return (places ?? []).map(({ x, y }, i) => ({
      x,
      y,
      width: inside[i]!.width,
      height: inside[i]!.height,
    }));
  });
}

/** Reads as the list does: each set with its count, then how many are in none. */
function describe(sets: readonly VennSet[], entries: readonly Placed[]): string {
  const parts = sets.map((set, i) => `${set.name} (${entries.filter(({ mask }) => (mask >> i) & 1).length})`);
  const none = entries.filter(({ mask }) => mask === 0).length;
  return `Venn diagram: ${entries.length} entries in ${sets.length} sets: ${parts.join(', ')}${none > 0 ? `; ${none} in none` : ''}.`;
}

function bands(diagram: Venn, sets: readonly VennSet[], entries: readonly Placed[], height: number): TierBand[] {
  const tiers = Array.from({ length: sets.length }, (_, t) => t + 1);
  const none = entries.filter(({ mask }) => mask === 0).length;
  if (none > 0) tiers.push(0);
  return tiers.map((tier, i) => {
    const mask = Array.from({ length: 1 << sets.length }, (_, m) => m).find((m) => bitCount(m) === tier) ?? 0;
    return {
      tier,
      name: own(diagram.tiers, String(tier))?.name ?? overlapName(tier, sets.length),
      start: (height * i) / tiers.length,
      end: (height * (i + 0.85)) / tiers.length,
      count: entries.filter((one) => bitCount(one.mask) === tier).length,
      swatch: regionStyle(diagram, mask).fill,
      gap: null,
    };
  });
}
