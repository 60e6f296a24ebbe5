import type { Gesture } from '../../../core/diagram';
import { tierCount } from '../../../core/hierarchy';
import { own } from '../../../core/model';
import { lookOf, tierColours, type TierColours } from '../../../core/style';
import { useBench } from '../context';
import { partsOf } from '../kinds';
import { Tried } from './Tried';

const ways: readonly [TierColours, string, string][] = [
  ['ramp', 'Lighter step by step', 'From the first tier’s colour evenly to nearly the page'],
  ['each', 'A colour each', 'A hue of its own for every tier'],
  ['alternate', 'Two by turns', 'Two colours of the look, one tier after another'],
];

/** All tiers coloured at once; nothing for a kind without tiers to colour, or with one. */
export function TierColouring() {
  const diagram = useBench((state) => state.diagram);
  const structure = useBench((state) => state.structure);
  const tiers = tierCount(structure);
  if (partsOf(diagram.kind).fillsElsewhere || tiers < 2) return null;
  const look = lookOf(diagram);
  const fillsNow = Array.from({ length: tiers }, (_, t) => own(diagram.styles.tiers, String(t + 1))?.fill ?? null);
  const give = (fills: readonly (string | null)[]): Gesture =>
    fills.map((value, t) => ({ kind: 'setStyle', scope: { kind: 'tier', tier: t + 1 }, property: 'fill', value }));
  const isNow = (fills: readonly (string | null)[]) => fills.every((fill, t) => fill === fillsNow[t]);
  const plain = fillsNow.map(() => null);
  return (
    <section aria-label="Colours of the tiers" className="mt-6">
      <h2 className="label mb-2 font-sans">Fills of all tiers at once</h2>
      <ul className="grid grid-cols-4 gap-2">
        {ways.map(([way, words, told]) => {
          const fills = tierColours(look, way, tiers);
          return (
            <li key={way}>
              <Tried gesture={give(fills)} chosen={isNow(fills)} title={told}>
                <span className="block h-8">
                  {fills.slice(0, 8).map((fill, t) => (
                    <span
                      key={t}
                      className="block"
                      style={{ background: fill, height: `${100 / Math.min(8, tiers)}%` }}
                    />
                  ))}
                </span>
                <span className="block px-1 py-0.5 text-sm leading-tight">{words}</span>
              </Tried>
            </li>
          );
        })}
        <li>
          <Tried gesture={give(plain)} chosen={isNow(plain)} title="Hand the fills of all tiers back to the look">
            <span className="block px-1 py-0.5 text-sm leading-tight">As the look has it</span>
          </Tried>
        </li>
      </ul>
    </section>
  );
}
