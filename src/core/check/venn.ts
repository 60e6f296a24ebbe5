import { finding, keyOfMask, maskOf, mostToScale, setsInOrder, type Finding, type Venn, own } from '../model';
import { missingCharacters } from '../measure';
import { isToScale, regionWords, type Scene } from '../scene';
import type { Structure } from '../tiers';

const fold = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** What somebody should look at before a Venn diagram is handed out. */
export function checkVenn(diagram: Venn, structure: Structure, _styles: unknown, scene: Scene): Finding[] {
  const sets = setsInOrder(diagram.venn);
  const ids = Array.from(structure.outline, (i) => structure.ids[i]!);
  const byMask = new Map<number, string[]>();
  for (const id of ids) {
    const mask = maskOf(diagram.venn, sets, id);
    byMask.set(mask, [...(byMask.get(mask) ?? []), id]);
  }
  const name = (id: string) => own(diagram.entries, id)!.name || 'An entry without a name';
  const list = (of: readonly string[]) => `${of.slice(0, 3).map(name).join(', ')}${of.length > 3 ? ' …' : ''}`;
  const findings: Finding[] = [];
  const outside = byMask.get(0) ?? [];
  if (outside.length > 0 && sets.length > 0) {
    const message = `${outside.length} ${outside.length === 1 ? 'entry is' : 'entries are'} in no set: ${list(outside)}.`;
    findings.push(finding('in-no-set', 'note', message, { entries: outside }));
  }
  sets.forEach((set, i) => {
    const own = ids.filter((id) => (maskOf(diagram.venn, sets, id) >> i) & 1);
    if (own.length === 0 && ids.length > 0)
      findings.push(finding('empty-set', 'warning', `Nothing is in the set “${set.name}”.`));
    for (const [k, other] of sets.entries()) {
      if (k <= i || own.length === 0) continue;
      const same = ids.every((id) => {
        const mask = maskOf(diagram.venn, sets, id);
        return ((mask >> i) & 1) === ((mask >> k) & 1);
      });
      if (!same) continue;
      const message = `“${set.name}” and “${other.name}” have the same entries. One of them may be enough.`;
      findings.push(finding('same-sets', 'warning', message, { entries: own }));
    }
  });
  findings.push(...spellings(diagram, ids, name));
  const keyed = scene.groups.flatMap(({ stands }) => (stands.for === 'key' ? [Number(stands.id)] : []));
  if (keyed.length > 0) {
    const entries = keyed.flatMap((mask) => byMask.get(mask) ?? []);
    const where = keyed.length === 1 ? `the region “${regionWords(sets, keyed[0]!)}”` : `${keyed.length} regions`;
    const one = entries.length === 1;
    const message = `${entries.length} ${one ? 'entry' : 'entries'} of ${where} did not fit there at a size that reads, and ${one ? 'stands' : 'stand'} in the key at the side. A larger sheet or shorter names would help.`;
    findings.push(finding('in-key', 'note', message, { entries }));
  }
  const unwanted = scene.scaled?.unwanted ?? [];
  if (unwanted.length > 0) {
    const words = unwanted.map((mask) => `“${regionWords(sets, mask)}”`).join(', ');
    const message = `Drawn to scale, ${unwanted.length === 1 ? 'a region stays that has' : 'regions stay that have'} nothing in ${unwanted.length === 1 ? 'it' : 'them'}: ${words}. ${unwanted.length === 1 ? 'It is' : 'They are'} hatched.`;
    findings.push(finding('hatched-region', 'note', message));
  }
  if (scene.scaled && scene.scaled.diagError >= 0.02) {
    const message = `The areas are off by up to ${(scene.scaled.diagError * 100).toFixed(0)} % of the whole; these shapes cannot show the counts any better. ${diagram.venn.manner.shape === 'scaled-circles' ? 'Ellipses may.' : 'Counts written in the regions, or curves all alike, would be clearer.'}`;
    findings.push(finding('not-to-scale', 'warning', message));
  }
  if (diagram.venn.manner.shape !== 'equal' && !isToScale(diagram, sets.length) && sets.length > 0) {
    const message = `${sets.length} sets cannot be drawn to scale, so the curves are all alike. Areas can follow the counts for up to ${mostToScale} sets.`;
    findings.push(finding('too-many-to-scale', 'note', message));
  }
  const empty = Array.from({ length: (1 << sets.length) - 1 }, (_, i) => i + 1).filter(
    (mask) =>
      !unwanted.includes(mask) &&
      !byMask.has(mask) &&
      scene.groups.some((group) => group.stands.for === 'region' && group.stands.id === keyOfMask(sets, mask)),
  );
  if (empty.length > 0 && ids.length > 0) {
    const words = empty.slice(0, 3).map((mask) => `“${regionWords(sets, mask)}”`);
    const message = `${empty.length} drawn ${empty.length === 1 ? 'region is' : 'regions are'} empty: ${words.join(', ')}${empty.length > 3 ? ' …' : ''}.`;
    findings.push(finding('empty-region', 'note', message));
  }
  for (const id of ids) {
    if (name(id) === 'An entry without a name')
      findings.push(finding('no-name', 'warning', 'An entry has no name.', { entries: [id] }));
    const missing = missingCharacters(own(diagram.entries, id)!.name);
    if (missing.length > 0) {
      const message = `${name(id)}: no font here has ${missing.map((one) => `“${one}”`).join(', ')}.`;
      findings.push(finding('missing-character', 'warning', message, { entries: [id] }));
    }
  }
  if (scene.smallestText !== null && scene.smallestText * 0.75 < 7.95) {
    const points = (scene.smallestText * 0.75).toFixed(1);
    const message = `The smallest text prints at ${points} pt; below about 8 pt a handout does not read well.`;
    findings.push(finding('small-text', 'warning', message));
  }
  return findings;
}

function spellings(diagram: Venn, ids: readonly string[], name: (id: string) => string): Finding[] {
  const seen = new Map<string, string>();
  return ids.flatMap((id) => {
    const key = fold(own(diagram.entries, id)!.name);
    const before = key === '' ? undefined : seen.get(key);
    if (before === undefined) {
      seen.set(key, id);
      return [];
    }
    const message = `“${name(before)}” and “${name(id)}” look like the same thing. Remove one, or tell them apart.`;
    return [finding('same-name', 'warning', message, { entries: [before, id] })];
  });
}
