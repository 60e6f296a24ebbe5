import { useEffect, useMemo, useState } from 'react';
import { draw, kinds, type Drawn, type Fit, type Kind } from '../../core/kind';
import type { Diagram } from '../../core/model';
import type { ReadChoices, ReadResult } from '../../core/read';

export interface Reading {
  readonly kind: Kind;
  readonly read: ReadResult;
  /** Null where this kind cannot show the list. */
  readonly fit: Fit | null;
  readonly diagram: Diagram;
  readonly drawn: Drawn;
}

/** Lists longer than this are read after a pause in typing instead of at every key. */
const longList = 60_000;

/** What every kind understands of the list, kept in step with it while it is typed; the kind that fits best comes first. */
export function useReading(text: string, choices: ReadChoices, title: string): readonly [Reading, ...Reading[]] {
  const [settled, setSettled] = useState(text);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(text), text.length > longList ? 400 : 30);
    return () => clearTimeout(timer);
  }, [text]);
  return useMemo(() => {
    const readings = kinds.map((kind): Reading => {
      const read = kind.read(settled, choices);
      const diagram = kind.make(read, title);
      return { kind, read, fit: kind.fits(read), diagram, drawn: draw(diagram) };
    });
    const sorted = readings.sort((a, b) => (b.fit?.strength ?? 0) - (a.fit?.strength ?? 0));
    return sorted as [Reading, ...Reading[]];
  }, [settled, choices, title]);
}
