import { own, type DiagramCommon } from '../model';
import type { CommandOf } from './command';
import { done, formerValues, refused, without, type Outcome } from './outcome';

const endGone = refused('One end of the link is no longer in the list.');
const linkGone = refused('The link is no longer there.');
const oneEnd = refused('A link needs two different entries.');

export function addLink<D extends DiagramCommon>(diagram: D, { link, style }: CommandOf<'addLink'>): Outcome<D> {
  if (own(diagram.links, link.id)) return refused('That link is there already.');
  if (!own(diagram.entries, link.from) || !own(diagram.entries, link.to)) return endGone;
  if (link.from === link.to) return oneEnd;
  const { styles } = diagram;
  return done(
    {
      ...diagram,
      links: { ...diagram.links, [link.id]: link },
      styles: style ? { ...styles, onlyLinks: { ...styles.onlyLinks, [link.id]: style } } : styles,
    },
    { kind: 'removeLink', id: link.id } satisfies CommandOf<'removeLink'>,
  );
}

/** Its phrase, its kind, its ends; both ends at once turn it round. */
export function changeLink<D extends DiagramCommon>(diagram: D, command: CommandOf<'changeLink'>): Outcome<D> {
  const link = own(diagram.links, command.id);
  if (!link) return linkGone;
  const next = { ...link, ...command.patch };
  if (!own(diagram.entries, next.from) || !own(diagram.entries, next.to)) return endGone;
  if (next.from === next.to) return oneEnd;
  return done({ ...diagram, links: { ...diagram.links, [link.id]: next } }, {
    ...command,
    patch: formerValues<typeof command.patch>(link, command.patch),
  } satisfies CommandOf<'changeLink'>);
}

export function removeLink<D extends DiagramCommon>(diagram: D, { id }: CommandOf<'removeLink'>): Outcome<D> {
  const link = own(diagram.links, id);
  if (!link) return linkGone;
  const { styles } = diagram;
  const style = own(styles.onlyLinks, id);
  return done(
    {
      ...diagram,
      links: without(diagram.links, [id]),
      styles: style ? { ...styles, onlyLinks: without(styles.onlyLinks, [id]) } : styles,
    },
    { kind: 'addLink', link, ...(style ? { style } : {}) } satisfies CommandOf<'addLink'>,
  );
}
