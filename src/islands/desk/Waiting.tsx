import { useEffect, useState } from 'react';
import { unsentOf } from '../bench/outbox';
import type { DeskDiagram } from './desk-diagram';

/** "3 changes to 2 diagrams wait on this machine." */
export function waitingWords(waiting: ReadonlyMap<string, number>): string {
  const changes = [...waiting.values()].reduce((sum, count) => sum + count, 0);
  return `${changes === 1 ? 'One change' : `${changes} changes`} to ${waiting.size === 1 ? 'one diagram' : `${waiting.size} diagrams`} ${changes === 1 ? 'waits' : 'wait'} on this machine.`;
}

/** What was done here and has not reached the server: in which diagrams, so that opening them sends it. */
export function Waiting({ account, diagrams }: { account: string; diagrams: readonly DeskDiagram[] }) {
  const [waiting, setWaiting] = useState<ReadonlyMap<string, number>>(new Map());
  useEffect(() => void unsentOf(account).then(setWaiting), [account]);
  const known = diagrams.filter(({ id }) => waiting.has(id));
  if (known.length === 0) return null;
  return (
    <p role="status" className="mt-4 border-l-4 border-brass bg-brasswash px-3 py-2">
      {waitingWords(new Map(known.map(({ id }) => [id, waiting.get(id)!])))} Open it to send them:{' '}
      {known.map(({ id, title }, k) => (
        <span key={id}>
          {k > 0 && ', '}
          <a className="underline" href={`/diagrams/${id}`}>
            {title || 'Untitled'}
          </a>
        </span>
      ))}
    </p>
  );
}
