import { useState } from 'react';
import { operate, type SetOperation, type VennFigures } from '../../../../core/kinds/venn';
import { capital } from '../../../../core/model';

const operations: { id: SetOperation; sign: string; told: string }[] = [
  { id: 'union', sign: '∪', told: 'in at least one of the chosen' },
  { id: 'intersection', sign: '∩', told: 'in all of the chosen' },
  { id: 'difference', sign: '∖', told: 'in the first of the chosen and in none of the others' },
  { id: 'symmetric difference', sign: '△', told: 'in an odd number of the chosen' },
];

/** Union, intersection, difference and symmetric difference of chosen sets. */
export function SetAlgebra({ figures, light }: { figures: VennFigures; light(masks: readonly number[]): void }) {
  const [chosen, setChosen] = useState<readonly number[]>([0, 1]);
  const kept = chosen.filter((i) => i < figures.sets.length);
  const turn = (i: number) =>
    setChosen(kept.includes(i) ? kept.filter((one) => one !== i) : [...kept, i].sort((a, b) => a - b));
  return (
    <section aria-label="Set algebra" className="mt-5">
      <h2 className="label mb-1 font-sans">Chosen sets together</h2>
      <p className="flex flex-wrap gap-x-3">
        {figures.sets.map((set, i) => (
          <label key={set.id} className="flex items-center gap-1 text-sm">
            <input type="checkbox" className="accent-moss" checked={kept.includes(i)} onChange={() => turn(i)} />
            {set.name} ({set.entries.length})
          </label>
        ))}
      </p>
      <table className="mt-1 w-full text-sm">
        <tbody>
          {operations.map(({ id, sign, told }) => {
            const masks = operate(id, kept, figures.sets.length);
            const count = masks.reduce((sum, mask) => sum + figures.regions[mask]!.count, 0);
            const expression = kept.map((i) => figures.sets[i]!.name).join(` ${sign} `);
            return (
              <tr key={id} className="border-t border-hair hover:bg-mosswash" onPointerEnter={() => light(masks)}>
                <th scope="row" className="py-1 text-left font-semibold" title={told}>
                  <button className="text-left" disabled={kept.length === 0} onFocus={() => light(masks)}>
                    {expression || '–'}
                  </button>
                  <span className="block text-[12.5px] font-normal text-muted">
                    {capital(id)}: {told}
                  </span>
                </th>
                <td className="text-right">{count}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
