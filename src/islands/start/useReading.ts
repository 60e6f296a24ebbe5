import { useEffect, useRef, useState } from 'react';
import { kindOf, kinds, nothingReadAs, type Drawn, type KindReading } from '../../core/diagram';
import type { ReadChoices } from '../../core/read';
import type { TableSeen } from '../../workers/read.worker';
import { readAway, ReadingGivenUp } from '../../workers/read-away';

/** What one kind understands of the list, with its drawing. */
export interface DrawnReading extends KindReading {
  readonly tiers: number;
  readonly table: TableSeen | null;
  readonly drawn: Drawn | null;
}

interface Asked {
  readonly text: string;
  readonly choices: ReadChoices;
}

const nothing = kinds.map((kind): DrawnReading => ({
  kind,
  read: nothingReadAs(kind),
  fit: null,
  bits: 0,
  strength: 0,
  whole: true,
  tiers: 0,
  table: null,
  drawn: null,
}));

const beyondUs = 'The list could not be read. Something in it is beyond us; try a part of it. Nothing was lost.';

/**
 * What every kind understands of the list, kept in step with it while it is typed; the kind that fits best comes first. Read in a worker, one list at
 * a time; while one is read only the newest waits. `busy` while what is shown is not of the newest text.
 */
export function useReading(
  text: string,
  choices: ReadChoices,
): { readings: readonly DrawnReading[]; busy: boolean; fault: string | null } {
  const [shown, setShown] = useState<{ of: Asked | null; readings: readonly DrawnReading[]; fault: string | null }>({
    of: null,
    readings: nothing,
    fault: null,
  });
  const waiting = useRef<Asked | null>(null);
  const reading = useRef(false);
  const [now, setNow] = useState<Asked>({ text, choices });
  if (now.text !== text || now.choices !== choices) setNow({ text, choices });
  useEffect(() => {
    waiting.current = now;
    if (reading.current) return;
    reading.current = true;
    void (async () => {
      while (waiting.current) {
        const asked: Asked = waiting.current;
        waiting.current = null;
        if (asked.text.trim() === '') {
          setShown({ of: asked, readings: nothing, fault: null });
          continue;
        }
        try {
          const read = await readAway(asked.text, asked.choices);
          setShown({ of: asked, readings: read.map((one) => ({ ...one, kind: kindOf(one.kind) })), fault: null });
        } catch (error) {
          // What was read before is of another list and must not be made.
          const fault = error instanceof ReadingGivenUp ? error.message : beyondUs;
          setShown({ of: asked, readings: nothing, fault });
        }
      }
      reading.current = false;
    })();
  }, [now]);
  return { readings: shown.readings, busy: shown.of !== now, fault: shown.fault };
}
