import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { draw, type Diagram } from '../diagram';
import { own } from '../model';
import { contrastRatio } from '../style';
import { diagramFromParents, parents } from '../testing/arbitrary';
import { familyOf } from '../testing/arbitrary-family';
import { mapOf } from '../testing/arbitrary-map';
import { initialsOf } from './photo';
import type { SceneGroup } from './scene';

const image = { id: '0123456789abcdef0123456789abcdef', width: 300, height: 400 };
const withPhotos = <D extends Diagram>(diagram: D, who: (i: number) => boolean): D => ({
  ...diagram,
  entries: Object.fromEntries(
    Object.values(diagram.entries).map((entry, i) => [entry.id, who(i) ? { ...entry, image } : entry]),
  ),
});
const boxesIn = (diagram: Diagram): SceneGroup[] =>
  draw(diagram).scene.groups.filter(({ stands }) => stands.for === 'entry');

/** Where everything in a box stands; the box itself is the first. */
function extentOf({ children }: SceneGroup) {
  return children.slice(1).map((one) => {
    if (one.type === 'text') {
      const width = one.runs.reduce((sum, run) => sum + run.width, 0);
      return { left: one.x, right: one.x + width, top: one.y - one.size * 0.75, bottom: one.y + one.size * 0.2 };
    }
    if (one.type === 'path' || one.type === 'curvedText') throw new Error('a box has no such part');
    return { left: one.x, right: one.x + one.width, top: one.y, bottom: one.y + one.height };
  });
}

describe('photos in boxes', () => {
  const photo = fc.constantFrom('before' as const, 'above' as const);
  const shape = fc.constantFrom(
    'square' as const,
    'rounded' as const,
    'cut' as const,
    'pill' as const,
    'hexagon' as const,
  );
  it('stand inside their box, apart from the text, on every tier that has one; the others show initials', () => {
    fc.assert(
      fc.property(parents(25), photo, shape, fc.integer({ min: 1, max: 5 }), (list, where, box, each) => {
        fc.pre(list.length > 0);
        const plain = diagramFromParents(list, (i) => `Ada Quill ${i}`);
        const diagram = {
          ...withPhotos(plain, (i) => i % each === 0),
          styles: { ...plain.styles, everything: { photo: where, shape: box } },
        };
        const { structure } = draw(diagram);
        const pictured = new Set(
          structure.ids.flatMap((id, i) => (own(diagram.entries, id)!.image ? [structure.tier[i]!] : [])),
        );
        for (const group of boxesIn(diagram)) {
          const { width, height } = group.bounds;
          const parts = extentOf(group);
          for (const { left, right, top, bottom } of parts) {
            expect(Math.min(left, top)).toBeGreaterThanOrEqual(-0.01);
            expect(right).toBeLessThanOrEqual(width + 0.01);
            expect(bottom).toBeLessThanOrEqual(height + 0.01);
          }
          const has = own(diagram.entries, group.stands.id)!.image !== undefined;
          const tier = structure.tier[structure.index.get(group.stands.id)!]!;
          expect(group.children.filter(({ type }) => type === 'image')).toHaveLength(has ? 1 : 0);
          expect(group.children.some((one) => one.type === 'text' && one.part === 'mark')).toBe(
            pictured.has(tier) && !has,
          );
          if (!pictured.has(tier)) continue;
          const [first, ...texts] = parts;
          const names = has ? texts : texts.slice(1);
          for (const one of names) {
            if (where === 'before') expect(one.left).toBeGreaterThan(first!.right);
            else expect(one.top).toBeGreaterThan(first!.bottom - 1);
          }
        }
      }),
      { numRuns: 80 },
    );
  });
  it('are gone, and their room with them, where a style shows none', () => {
    const plain = diagramFromParents([-1, 0, 0], () => 'Ada Quill');
    const hidden = {
      ...withPhotos(plain, () => true),
      styles: { ...plain.styles, everything: { photo: 'none' as const } },
    };
    expect(boxesIn(hidden).map(({ bounds }) => bounds)).toEqual(boxesIn(plain).map(({ bounds }) => bounds));
    expect(boxesIn(hidden).flatMap(({ children }) => children.map(({ type }) => type))).not.toContain('image');
  });
  it('are drawn in families and on the ideas of a map too', () => {
    for (const diagram of [familyOf([5, 8, 13]), mapOf([3, 9, 27])]) {
      const pictures = boxesIn(withPhotos(diagram, (i) => i === 0)).flatMap(({ children }) =>
        children.filter(({ type }) => type === 'image'),
      );
      expect(pictures).toHaveLength(1);
    }
  });
  it('initials are those of the first and the last word, and can be read on their disc', () => {
    expect(['Ada Quill', 'Noor van der Veen', 'Þóra', '', '« Bo »', 'élodie'].map(initialsOf)).toEqual([
      'AQ',
      'NV',
      'Þ',
      '',
      'B',
      'É',
    ]);
    for (const look of ['saltmarsh', 'ledger', 'terracotta', 'heather', 'plain-ink'] as const) {
      const plain = diagramFromParents([-1, 0, 0, 1, 1, 3, 3], () => 'Ada Quill');
      const diagram = { ...withPhotos(plain, (i) => [0, 1, 3, 5].includes(i)), look };
      for (const { children } of boxesIn(diagram)) {
        const letters = children.find((one) => one.type === 'text' && one.part === 'mark');
        if (letters?.type !== 'text') continue;
        const disc = children[children.indexOf(letters) - 1]!;
        expect(contrastRatio(letters.fill, disc.type === 'box' ? disc.fill : '')).toBeGreaterThanOrEqual(4.5);
      }
    }
  });
});
