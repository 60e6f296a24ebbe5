import { useMemo } from 'react';
import { drawApart, kindOf, settingsByHand, type Gesture, type KindId } from '../../../core/diagram';
import { looks } from '../../../core/style';
import { Picture } from '../../drawing/Picture';
import { useBench, useParts } from '../context';
import { partsOf } from '../kinds';
import { handBackEverything } from './give-style';
import { Tried } from './Tried';
import { useReadyLooks } from './useReadyLooks';

/** The looks, each as it draws a small sample; pointing at one tries it on the drawing. What was set by hand stays. */
export function Looks({ kind }: { kind: KindId }) {
  const { store } = useParts();
  useReadyLooks();
  const diagram = useBench((state) => state.diagram);
  const { look: chosen, palette } = diagram;
  const byHand = useMemo(() => settingsByHand(diagram).length, [diagram]);
  const samples = useMemo(
    () => looks.map((look) => drawApart({ ...partsOf(kind).sample, look: look.id, ...(palette && { palette }) }).scene),
    [kind, palette],
  );
  return (
    <section aria-label="Looks" className="mt-6">
      <h2 className="label mb-2 font-sans">Look of the whole {kindOf(kind).nameInSentence}</h2>
      <ul className="grid grid-cols-3 gap-2">
        {looks.map((look, i) => {
          const gesture: Gesture = [{ kind: 'setLook', look: look.id }];
          return (
            <li key={look.id}>
              <Tried gesture={gesture} chosen={look.id === chosen} title={look.told}>
                <span className="block h-14 p-1" style={{ background: samples[i]!.sheet.ground }}>
                  <Picture scene={samples[i]!} small label="" />
                </span>
                <span className={`block px-1.5 py-0.5 text-sm ${look.id === chosen ? 'font-semibold' : ''}`}>
                  {look.name}
                </span>
              </Tried>
            </li>
          );
        })}
      </ul>
      {byHand > 0 && (
        <p className="mt-2 text-sm text-muted">
          {byHand === 1 ? 'One setting made by hand stays' : `${byHand} settings made by hand stay`} when the look
          changes.{' '}
          <button className="plain text-sm" onClick={() => handBackEverything(store)}>
            Hand back {byHand === 1 ? 'it' : `all ${byHand}`}
          </button>
          {palette && (
            <button className="plain ml-3 text-sm" onClick={() => handBackEverything(store, 'colours too')}>
              and its colours and page
            </button>
          )}
        </p>
      )}
    </section>
  );
}
