import { rawText, type GedcomNode } from './gedcom-lines';

/** What is understood of a structure: its value; the value, but what lies below it is asked for too; or who or what it points to. */
type Use = 'value' | 'open' | 'pointer';

/** What a pointer of a file points to, with a mark before it: an id of ours. */
export const ownPointer = (id: string): string => `@_${id}@`;
/** The id that a pointer of ours tells; null for any other. */
export const idOfPointer = (value: string): string | null => /^@_([^@]+)@$/.exec(value)?.[1] ?? null;

/** The pointer that a value is; null for any other value. */
export const pointed = (value: string): string | null => /^@([^@]+)@$/.exec(value.trim())?.[1] ?? null;

export const firstOf = (node: GedcomNode, tag: string): GedcomNode | undefined =>
  node.children.find((one) => one.tag === tag);

/** The name that a NAME tells: "Ada /Quill/ Jr" as "Ada Quill Jr"; of one without a value its parts. */
export const toldName = (node: GedcomNode): string =>
  node.value === ''
    ? ['GIVN', 'SURN'].flatMap((tag) => firstOf(node, tag)?.value || []).join(' ')
    : node.value.replaceAll('/', ' ').replace(/\s+/g, ' ').trim();

/**
 * Takes values out of the records of a file, and keeps account of them, so that all that was not taken goes back into its place when the file is written
 * again: what was taken of a structure that has more below it stays as that structure without a value.
 */
export class Taken {
  private readonly uses = new Map<GedcomNode, Use>();

  /** The value of the first structure with a tag, which is taken if it is no longer than `longest`; where it is, all of it is kept beside what is returned. */
  value(node: GedcomNode | undefined, tag: string, longest: number): string {
    const found = node && firstOf(node, tag);
    if (!found) return '';
    if (found.value !== '' && found.value.length <= longest) this.uses.set(found, 'value');
    return found.value.slice(0, longest);
  }

  /** The first structure with a tag, of which parts are taken. */
  event(node: GedcomNode, tag: string): GedcomNode | undefined {
    const found = firstOf(node, tag);
    if (found) this.uses.set(found, 'open');
    return found;
  }

  whole(node: GedcomNode, use: Use = 'value'): void {
    this.uses.set(node, use);
  }

  /** What of the structures below one was not taken. */
  rest(node: GedcomNode): GedcomNode[] {
    return node.children.flatMap((child) => {
      const use = this.uses.get(child);
      if (!use) return [child];
      const below = this.rest(child);
      if (use === 'value') return below.length > 0 ? [{ ...child, value: '', children: below }] : [];
      if (use === 'pointer') return below.length > 0 ? [{ ...child, children: below }] : [];
      // One that says nothing, or that others of its tag follow, holds its place.
      const others = node.children.some((one) => one.tag === child.tag && !this.uses.has(one));
      return below.length > 0 || child.value !== '' || child.children.length === 0 || others
        ? [{ ...child, children: below }]
        : [];
    });
  }
}

/** Structures as lines from a level on, pointers to persons and families of the file turned into those of ours. */
export const keptText = (
  nodes: readonly GedcomNode[],
  level: number,
  idOf: (pointer: string) => string | undefined,
): string => nodes.map((node) => rawText(repointed(node, idOf), level)).join('\n');

function repointed(node: GedcomNode, idOf: (pointer: string) => string | undefined): GedcomNode {
  const id = idOf(pointed(node.value) ?? '');
  return {
    ...node,
    value: id === undefined ? node.value : ownPointer(id),
    children: node.children.map((child) => repointed(child, idOf)),
  };
}

/** Which partner is told as which where their sex says so, or else the first as HUSB, as older readers know no others. */
export function partnerTags(sexes: readonly (string | null)[]): readonly ('HUSB' | 'WIFE')[] {
  const [one, other] = sexes;
  if (sexes.length === 1) return [one === 'female' ? 'WIFE' : 'HUSB'];
  return one === 'female' || (one === null && other === 'male') ? ['WIFE', 'HUSB'] : ['HUSB', 'WIFE'];
}
