import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyCommand, draw, type Diagram, type Drawn } from '../core/diagram';
import { commands, diagrams } from '../core/testing/arbitrary';
import { vennCommands, venns } from '../core/testing/arbitrary-venn';
import { diagramDelta, drawnDelta, withDelta, withDrawnDelta, type DiagramDelta } from './delta';
import { DrawQueue } from './draw-queue';

const edited = fc
  .oneof(
    fc.record({ start: diagrams as fc.Arbitrary<Diagram>, list: fc.array(commands, { maxLength: 6 }) }),
    fc.record({ start: venns(1, 12) as fc.Arbitrary<Diagram>, list: fc.array(vennCommands, { maxLength: 6 }) }),
  )
  .map(({ start, list }) => {
    let end = start;
    for (const command of list) {
      const outcome = applyCommand(end, command);
      if (outcome.ok) end = outcome.diagram;
    }
    return { start, end };
  });

/** The other end, with copies as they come out of a message. */
function other(log: { sent: number }[] = []) {
  let diagram: Diagram | null = null;
  let drawn: Drawn | null = null;
  return async (delta: DiagramDelta, anew: boolean) => {
    await Promise.resolve();
    log.push({ sent: delta.changed.length });
    diagram = withDelta(anew ? null : diagram, structuredClone(delta));
    const next = draw(diagram);
    const told = drawnDelta(anew ? null : drawn, next);
    drawn = next;
    return structuredClone(told);
  };
}

describe('drawing away from the page', () => {
  it('what differs from the diagram before leads to the diagram, and only changed entries are sent', () => {
    fc.assert(
      fc.property(edited, ({ start, end }) => {
        const delta = diagramDelta(start, end);
        expect(withDelta(start, structuredClone(delta))).toEqual(end);
        for (const entry of delta.changed) expect(start.entries[entry.id]).not.toBe(entry);
      }),
    );
  });
  it('what comes back is the drawing, and groups that did not change keep their identity on this side', () => {
    fc.assert(
      fc.property(edited, ({ start, end }) => {
        const [one, two] = [draw(start), draw(end)];
        const here = structuredClone(one);
        const back = withDrawnDelta(here, structuredClone(drawnDelta(one, two)));
        expect(back.scene).toEqual(two.scene);
        two.scene.groups.forEach((group, i) => {
          const at = one.scene.groups.indexOf(group);
          if (at >= 0) expect(back.scene.groups[i]).toBe(here.scene.groups[at]);
        });
      }),
      { numRuns: 60 },
    );
  });
  it('while one is drawn only the newest waits; those in between are answered with null, and nothing is sent twice', async () => {
    const log: { sent: number }[] = [];
    const queue = new DrawQueue(other(log));
    const start = fc.sample(diagrams, 40).find((one) => Object.keys(one.entries).length > 5)!;
    const id = Object.keys(start.entries)[0]!;
    const named = (name: string): Diagram => {
      const outcome = applyCommand(start, { kind: 'rename', id, name });
      if (!outcome.ok) throw new Error(outcome.reason);
      return outcome.diagram;
    };
    const states = [start, named('A'), named('Ad'), named('Ada')];
    const told = await Promise.all(states.map((one) => queue.draw(one)));
    expect(told.map((one) => one !== null)).toEqual([true, false, false, true]);
    expect(told[3]!.scene).toEqual(draw(states[3]!).scene);
    expect(log).toEqual([{ sent: Object.keys(start.entries).length }, { sent: 1 }]);
  });
  it('a failure is told to whoever asked, and the next drawing is sent whole', async () => {
    const start = fc.sample(diagrams, 40).find((one) => Object.keys(one.entries).length > 5)!;
    const away = other();
    let fails = true;
    const queue = new DrawQueue((delta, anew) => {
      if (fails) return Promise.reject(new Error('gone'));
      return away(delta, anew);
    });
    await expect(queue.draw(start)).rejects.toThrow('gone');
    fails = false;
    expect((await queue.draw(start))!.scene).toEqual(draw(start).scene);
  });
});
