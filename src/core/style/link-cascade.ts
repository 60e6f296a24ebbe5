import {
  interning,
  linkProperties,
  own,
  type AnyScope,
  type DiagramCommon,
  type Link,
  type LinkPatch,
  type LinkProperty,
  type LinkStyle,
} from '../model';
import type { Origin } from './cascade';
import { inkOnGround, lookOf } from './look';

/** What a kind says of a kind of link it knows. */
export interface LinkKind {
  readonly id: string;
  /** "Side link". */
  readonly name: string;
  /** What its line means, as the legend says it beside a piece of it; empty for nothing. */
  readonly legend: string;
  readonly style: LinkPatch;
  /** True for the lines of the structure itself, which are styled and not drawn by hand. */
  readonly ofStructure?: true;
}

interface Layer {
  readonly origin: Origin;
  readonly patch: LinkPatch;
}

/** Wide to narrow: the look, the kind of link, all links, this link. */
function layersOf(diagram: DiagramCommon, link: Link | null, kinds: readonly LinkKind[]): Layer[] {
  const look = lookOf(diagram);
  const kind = kinds.find(({ id }) => id === link?.kind) ?? kinds[0];
  return [
    {
      origin: 'look',
      patch: {
        lineColour: look.line,
        lineWidth: diagram.arrangement.lineWidth,
        dash: 'solid',
        startMark: 'none',
        endMark: 'none',
        endGap: 0,
        course: 'joined',
        phraseSize: 11,
        phraseColour: inkOnGround(look),
        phraseAt: 'middle',
        startSide: 'nearest',
        endSide: 'nearest',
        bend: 0,
      },
    },
    { origin: 'look', patch: kind?.style ?? {} },
    { origin: 'links', patch: diagram.styles.links },
    { origin: 'link', patch: link ? (own(diagram.styles.onlyLinks, link.id) ?? {}) : {} },
  ];
}

interface ResolvedLink {
  readonly style: LinkStyle;
  readonly origins: Record<LinkProperty, Origin>;
}

function resolved(layers: readonly Layer[]): ResolvedLink {
  const style: Record<string, unknown> = {};
  const origins: Record<string, Origin> = {};
  for (const { origin, patch } of layers)
    for (const [property, value] of Object.entries(patch)) {
      style[property] = value;
      origins[property] = origin;
    }
  return { style: style as unknown as LinkStyle, origins: origins as Record<LinkProperty, Origin> };
}

const internedLine = interning<LinkStyle>(500);

/** Style of the lines of a structure that have words: what `own` says, then what is set for all links. One object for equal styles. */
export const branchStyle = (diagram: DiagramCommon, own: LinkPatch): LinkStyle =>
  internedLine(
    resolved([
      ...layersOf({ ...diagram, styles: { ...diagram.styles, links: {} } }, null, []),
      { origin: 'look', patch: { phraseSize: 12, ...own } },
      { origin: 'links', patch: diagram.styles.links },
    ]).style,
  );

/** Wide to narrow: the look, all lines of the structure, those that lead to a tier. */
function layersOfLines(diagram: DiagramCommon, tier: number | null): Layer[] {
  const { lines = {}, tierLines = {} } = diagram.styles;
  return [
    layersOf(diagram, null, [])[0]!,
    { origin: 'lines', patch: lines },
    ...(tier === null ? [] : [{ origin: 'tierLines', patch: own(tierLines, String(tier)) ?? {} }]),
  ];
}

/** Complete style of the lines of a structure that lead to a tier; null: of those to any tier that sets nothing. One object for equal styles. */
export const structureLine = (diagram: DiagramCommon, tier: number | null): LinkStyle =>
  internedLine(resolved(layersOfLines(diagram, tier)).style);

/** Complete style of a link. */
export const linkStyle = (diagram: DiagramCommon, link: Link, kinds: readonly LinkKind[]): LinkStyle =>
  resolved(layersOf(diagram, link, kinds)).style;

export interface ExplainedLink {
  readonly value: LinkStyle[LinkProperty] | null;
  readonly origin: Origin | 'several';
}

/** For each property, the value that all links, or the one of the scope, show, and where it comes from. Null where the scope is no link that is there. */
export function explainLinks(
  diagram: DiagramCommon,
  scope: AnyScope,
  kinds: readonly LinkKind[],
): Record<LinkProperty, ExplainedLink> | null {
  if (scope.kind === 'lines') {
    const { tier } = scope as { tier: number | null };
    const tiers = tier === null ? Object.keys(diagram.styles.tierLines ?? {}).map(Number) : [];
    return explainedLinks([tier, ...tiers].map((one) => resolved(layersOfLines(diagram, one))));
  }
  const of =
    scope.kind === 'links'
      ? Object.values(diagram.links)
      : scope.kind === 'link'
        ? [own(diagram.links, (scope as { link: string }).link)].filter((link) => link !== undefined)
        : null;
  if (!of || (of.length === 0 && scope.kind === 'link')) return null;
  const all =
    of.length > 0
      ? of.map((link) => resolved(layersOf(diagram, link, kinds)))
      : [resolved(layersOf(diagram, null, kinds))];
  return explainedLinks(all);
}

function explainedLinks(all: readonly ResolvedLink[]): Record<LinkProperty, ExplainedLink> {
  const told = {} as Record<LinkProperty, ExplainedLink>;
  for (const property of linkProperties) {
    const { style, origins } = all[0]!;
    told[property] = {
      value: all.every((one) => one.style[property] === style[property]) ? style[property] : null,
      origin: all.every((one) => one.origins[property] === origins[property]) ? origins[property] : 'several',
    };
  }
  return told;
}
