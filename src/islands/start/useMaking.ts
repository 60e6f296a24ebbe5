import { useState } from 'react';
import { applyGesture, inHouseStyle, type Diagram } from '../../core/diagram';
import { ApiError, reach } from '../shared/api';
import { fetchHouseStyles } from '../shared/house-styles';
import { newId } from '../shared/ids';
import { beginTrying } from '../shared/trying';

/** Makes the diagram and goes to its Bench: kept where somebody is signed in, else to be tried. `stop` calls off what is being sent; null where nothing is. */
export function useMaking(front: boolean) {
  const [problem, setProblem] = useState<string | null>(null);
  const [making, setMaking] = useState<AbortController | null>(null);
  async function make(diagram: Diagram): Promise<void> {
    setProblem(null);
    if (front) {
      if (beginTrying(diagram)) location.assign('/try?new');
      else setProblem('The list is too long to be tried without an account. Sign in, and make it then.');
      return;
    }
    const calledOff = new AbortController();
    setMaking(calledOff);
    const id = newId();
    const styled = await inDefaultStyle(diagram);
    try {
      await reach('/api/diagrams', {
        method: 'POST',
        body: JSON.stringify({ id, diagram: styled }),
        headers: { 'content-type': 'application/json' },
        signal: calledOff.signal,
      });
      location.assign(`/diagrams/${id}?new`);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setProblem(`${error.message} The list is still here.`);
      setMaking(null);
    }
  }
  return { make, problem, stop: making && (() => making.abort()) };
}

/** The diagram in the house style for new ones; as it is where there is none, or it cannot be asked for just now. */
async function inDefaultStyle(diagram: Diagram): Promise<Diagram> {
  try {
    const house = (await fetchHouseStyles()).find(({ forNew }) => forNew);
    if (!house) return diagram;
    const outcome = applyGesture(
      diagram,
      inHouseStyle(diagram, house.style, { id: house.id, revision: house.revision }),
    );
    return outcome.ok ? outcome.diagram : diagram;
  } catch {
    return diagram;
  }
}
