import { useEffect, useMemo, useState } from 'react';
import { draw, kindOf, type Drawn } from '../../core/kind';
import type { Diagram } from '../../core/model';
import { readList, type ReadChoices, type ReadResult } from '../../core/read';

export interface Reading {
  readonly read: ReadResult;
  readonly diagram: Diagram;
  readonly drawn: Drawn;
}

/** Lists longer than this are read after a pause in typing instead of at every key. */
const longList = 60_000;

/** What is understood of the list, kept in step with it while it is typed. */
export function useReading(text: string, choices: ReadChoices, title: string): Reading {
  const [settled, setSettled] = useState(text);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(text), text.length > longList ? 400 : 30);
    return () => clearTimeout(timer);
  }, [text]);
  return useMemo(() => {
    const read = readList(settled, choices);
    const diagram = kindOf('org-chart').make(read, title);
    return { read, diagram, drawn: draw(diagram) };
  }, [settled, choices, title]);
}
