import { useEffect, useState } from 'react';
import { inHouseStyle } from '../../../core/diagram';
import { fetchHouseStyles, type KeptHouseStyle } from '../../shared/house-styles';
import { useBench, useParts } from '../context';
import { useTrial } from '../useTrial';

/** Where the house style that this diagram is tied to has changed since: its new state is offered, tried by pointing, taken over or left. */
export function HouseOffer() {
  const { store, sync } = useParts();
  const trial = useTrial();
  const diagram = useBench((state) => state.diagram);
  const [kept, setKept] = useState<KeptHouseStyle | null>(null);
  const id = diagram.house?.id;
  useEffect(() => {
    if (id === undefined || sync.guest) return;
    fetchHouseStyles().then(
      (all) => setKept(all.find((one) => one.id === id) ?? null),
      () => setKept(null),
    );
  }, [id, sync]);
  if (!kept || !diagram.house || kept.id !== id || kept.revision <= diagram.house.revision) return null;
  const tie = { id: kept.id, revision: kept.revision };
  const gesture = inHouseStyle(diagram, kept.style, tie);
  const { perform } = store.getState();
  return (
    <div
      role="status"
      className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-brass bg-brasswash px-4 py-1.5"
    >
      <span>The house style “{kept.style.name}” has changed since this diagram took it over.</span>
      <button className="button" {...trial(gesture)} onClick={() => perform(gesture)}>
        Take the changes over
      </button>
      <button className="plain" onClick={() => perform([{ kind: 'setHouse', house: tie }])}>
        Leave it as it is
      </button>
    </div>
  );
}
