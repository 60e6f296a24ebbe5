import { useEffect, useState, type ReactNode } from 'react';
import { openDiagram, type Diagram } from '../../core/diagram';
import { api, ApiError } from '../shared/api';

/** A view of a stored diagram that stands alone beside the bench, and that one kind of diagram has. */
export function StoredDiagram<K extends Diagram['kind']>({
  id,
  kind,
  cannot,
  otherKind,
  children,
}: {
  id: string;
  kind: K;
  /** Heading where there is nothing to show. */
  cannot: string;
  /** What is said of a diagram of another kind. */
  otherKind: string;
  children: (diagram: Extract<Diagram, { kind: K }>) => ReactNode;
}) {
  const [found, setFound] = useState<Diagram | string | null>(null);
  useEffect(() => {
    api<{ diagram: unknown }>(`/api/diagrams/${id}`).then(
      ({ diagram }) => setFound(openDiagram(diagram)),
      (error: unknown) => {
        if (!(error instanceof ApiError)) throw error;
        setFound(error.message);
      },
    );
  }, [id]);
  if (found === null) return <p className="p-8 text-muted">Fetching the diagram …</p>;
  if (typeof found === 'object' && found.kind === kind) return children(found as Extract<Diagram, { kind: K }>);
  return (
    <main className="mx-auto mt-24 max-w-lg">
      <h1 className="text-2xl">{cannot}</h1>
      <p className="mt-3">{typeof found === 'string' ? found : otherKind}</p>
      <p className="mt-3">
        <a className="inline-flex min-h-6 items-center underline" href={`/diagrams/${id}`}>
          Back to the Bench
        </a>
      </p>
    </main>
  );
}
