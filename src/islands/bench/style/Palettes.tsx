import { useId } from 'react';
import type { Gesture } from '../../../core/diagram';
import type { Palette } from '../../../core/model';
import { lookOf, plainLook, tierStyle } from '../../../core/style';
import { useBench, useParts } from '../context';
import { ColourField } from './ColourField';
import { Tried } from './Tried';

const none: Palette = { hue: null, colours: [], ground: null };
/** Seed hues around the circle, OKLCH degrees. */
const hues = [25, 55, 90, 130, 165, 200, 240, 275, 310, 345];
const names = ['first tier', 'second tier', 'borders'];

/** The look in other colours: from one hue, or from an organisation's own; and the ground of the page. */
export function Palettes() {
  const { store } = useParts();
  const look = useBench((state) => state.diagram.look);
  const palette = useBench((state) => state.diagram.palette ?? none);
  const id = useId();
  const to = (patch: Partial<Palette>): Gesture => [{ kind: 'setPalette', palette: { ...palette, ...patch } }];
  const perform = (patch: Partial<Palette>) =>
    store.getState().perform(to(patch), { merge: `palette:${Object.keys(patch).join()}` });
  const now = lookOf({ look, palette });
  const ownColours = palette.colours.length > 0;
  const shown = (i: number): string =>
    palette.colours[i] ?? (i === 2 ? tierStyle(now, 2).border : tierStyle(now, i + 1).fill);
  return (
    <section aria-label="Colours of the look" className="mt-5">
      <h2 className="label mb-2 font-sans">Its colours</h2>
      <ul className="grid grid-cols-6 gap-1.5">
        <li>
          <Tried
            gesture={to({ hue: null, colours: [] })}
            chosen={palette.hue === null && !ownColours}
            title="The colours the look comes with"
          >
            <span className="block px-0.5 py-1.5 text-center text-sm">its own</span>
          </Tried>
        </li>
        {hues.map((hue) => {
          const variant = lookOf({ look, palette: { ...none, hue } });
          return (
            <li key={hue}>
              <Tried
                gesture={to({ hue, colours: [] })}
                chosen={palette.hue === hue && !ownColours}
                title={`In the hue of ${hue} degrees`}
                label={`${plainLook(look).name} in hue ${hue}`}
              >
                <span className="flex h-8">
                  {[1, 2, 3].map((tier) => (
                    <span key={tier} className="flex-1" style={{ background: tierStyle(variant, tier).fill }} />
                  ))}
                </span>
              </Tried>
            </li>
          );
        })}
      </ul>
      <div className="mt-3 grid gap-1">
        <span className="text-sm">Or your organisation's own, as its handbook gives them:</span>
        {names.map((name, i) => (
          <div key={name} className="grid grid-cols-[6.5rem_1fr] items-center gap-2">
            <label htmlFor={`${id}-${i}`} className={palette.colours[i] ? 'font-semibold' : ''}>
              {name[0]!.toUpperCase() + name.slice(1)}
            </label>
            <ColourField
              id={`${id}-${i}`}
              name={`Own colour, ${name}`}
              value={shown(i)}
              onChange={(colour) => {
                const colours = names.slice(0, Math.max(i + 1, palette.colours.length)).map((_, k) => shown(k));
                colours[i] = colour;
                perform({ colours });
              }}
            />
          </div>
        ))}
        <div className="mt-1 grid grid-cols-[6.5rem_1fr] items-center gap-2">
          <label htmlFor={`${id}-ground`}>Page</label>
          <ColourField id={`${id}-ground`} name="Page" value={now.ground} onChange={(ground) => perform({ ground })} />
        </div>
        {(palette.ground !== null || ownColours || palette.hue !== null) && (
          <button
            className="plain justify-self-start"
            onClick={() => store.getState().perform([{ kind: 'setPalette', palette: null }])}
          >
            Hand back its colours and page
          </button>
        )}
      </div>
    </section>
  );
}
