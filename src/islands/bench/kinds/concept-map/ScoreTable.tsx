import type { Counted, MapFigures } from '../../../../core/kinds/concept-map';
import { useParts } from '../../context';

const words: Record<keyof Counted, string> = {
  propositions: 'Valid propositions',
  levels: 'Levels below the first idea',
  crossLinks: 'Valid cross-links',
  examples: 'Examples',
};

/** The hierarchy and cross-link score: every count is shown, and may be corrected by hand. */
export function ScoreTable({ score }: { score: MapFigures['score'] }) {
  const { store } = useParts();
  const set = (of: keyof Counted, typed: string) => {
    const value = Math.round(Number(typed));
    const counted = typed.trim() === '' || !Number.isFinite(value) || value < 0 ? null : Math.min(1000, value);
    store.getState().perform([{ kind: 'setCounted', patch: { [of]: counted } }], { merge: `counted:${of}` });
  };
  return (
    <table className="mt-4 w-full text-sm">
      <caption className="label pb-1 text-left">Score (Novak and Gowin 1984)</caption>
      <thead>
        <tr className="text-left text-muted">
          <th className="font-normal">Counted</th>
          <th className="pl-2 text-right font-normal">Here</th>
          <th className="w-16 pl-2 text-right font-normal">By hand</th>
          <th className="pl-2 text-right font-normal">Each</th>
          <th className="pl-2 text-right font-normal">Points</th>
        </tr>
      </thead>
      <tbody>
        {score.lines.map(({ of, counted, corrected, each, points }) => (
          <tr key={of} className="border-t border-hair">
            <th scope="row" className="py-1 text-left font-semibold">
              {words[of]}
            </th>
            <td className={`text-right ${corrected === null ? '' : 'text-muted line-through'}`}>{counted}</td>
            <td className="pl-2 text-right">
              <input
                className="field min-h-7 w-14 py-0 text-right"
                inputMode="numeric"
                aria-label={`${words[of]}, counted by hand`}
                placeholder="–"
                value={corrected ?? ''}
                onChange={(event) => set(of, event.target.value)}
              />
            </td>
            <td className="text-right text-muted">× {each}</td>
            <td className="text-right">{points}</td>
          </tr>
        ))}
        <tr className="border-t border-edge">
          <th scope="row" className="py-1 text-left font-semibold" colSpan={4}>
            Together
          </th>
          <td className="text-right font-semibold">{score.total}</td>
        </tr>
      </tbody>
    </table>
  );
}
