import { propositionLine } from '../kinds/concept-map';
import type { Said } from '../kind';
import { own } from '../model';
import { quoted } from '../read';
import { kindOf, type Diagram } from './diagram';

/** A name that no list could read as anything else. */
const isBare = (name: string): boolean => /^\p{L}[\p{L}\p{N}' ]*$/u.test(name) && name === name.trim();

/**
 * What a diagram of any kind says, as a list of propositions from which a concept map can be made: who stands under whom, links with their words, or what its kind
 * says of itself. Names that nothing is said of stand on lines of their own.
 */
export function asPropositions(diagram: Diagram): string {
  const kind = kindOf(diagram.kind);
  const { entries, links } = diagram;
  const structure = kind.structure(diagram);
  const listed = Array.from(structure.outline, (i) => own(entries, structure.ids[i]!)!);
  const name = (id: string) => own(entries, id)?.name ?? '';
  const under = listed.flatMap(({ parent, name: to }): Said[] =>
    parent === null ? [] : [{ from: name(parent), phrase: '', to }],
  );
  const linked = Object.values(links).map(({ from, to, phrase }): Said => ({ from: name(from), phrase, to: name(to) }));
  const said = [...(kind.says?.(diagram) ?? under), ...linked].filter(
    ({ from, to }) => from.trim() !== '' && to.trim() !== '' && from !== to,
  );
  const told = new Set(said.flatMap(({ from, to }) => [from, to]));
  const alone = listed.filter((entry) => entry.name.trim() !== '' && !told.has(entry.name));
  return [
    ...said.map(({ from, phrase, to }) => propositionLine(from, phrase.trim(), to)),
    ...alone.map((entry) => (isBare(entry.name) ? entry.name : quoted(entry.name))),
  ].join('\n');
}
