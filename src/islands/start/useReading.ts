import { useEffect, useRef, useState } from 'react';
import { kindOf, kinds, type Drawn, type KindReading } from '../../core/diagram';
import { nothingRead, type ReadChoices } from '../../core/read';
import { readAway } from '../../workers/read-away';

/** What one kind understands of the list, with its drawing. */
export interface DrawnReading extends KindReading {
  readonly tiers: number;
  readonly drawn: Drawn | null;
}

interface Asked {
  readonly text: string;
  readonly choices: ReadChoices;
}

const nothing = kinds.map((kind): DrawnReading => ({ kind, read: nothingRead, fit: null, tiers: 0, drawn: null }));

/**
 * What every kind understands of the list, kept in step with it while it is typed; the kind that fits best comes first. Read in a worker, one list at
 * a time; while one is read only the newest waits. `busy` while what is shown is not of the newest text.
 */
export function useReading(
  text: string,
  choices: ReadChoices,
): { readings: readonly DrawnReading[]; busy: boolean; fault: boolean } {
  const [shown, setShown] = useState<{ of: Asked | null; readings: readonly DrawnReading[]; fault: boolean }>({
    of: null,
    readings: nothing,
    fault: false,
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
          setShown({ of: asked, readings: nothing, fault: false });
          continue;
        }
        try {
          const read = await readAway(asked.text, asked.choices);
          setShown({ of: asked, readings: read.map((one) => ({ ...one, kind: kindOf(one.kind) })), fault: false });
        } catch {
          setShown((before) => ({ ...before, of: asked, fault: true }));
        }
      }
      reading.current = false;
    })();
  }, [now]);
  return { readings: shown.readings, busy: shown.of !== now, fault: shown.fault };
}
