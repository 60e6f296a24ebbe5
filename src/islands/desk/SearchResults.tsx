import { useEffect, useState } from 'react';
import { api } from '../shared/api';

interface Found {
  readonly diagram: string;
  readonly title: string;
  readonly entry: string;
  readonly name: string;
  readonly text: string;
}

/** People found inside any diagram; a click opens the diagram with the person selected. */
export function SearchResults({ query }: { query: string }) {
  const [found, setFound] = useState<{ query: string; list: readonly Found[] }>({ query: '', list: [] });
  const asked = query.trim();
  useEffect(() => {
    if (asked.length < 2) return;
    const timer = setTimeout(() => {
      api<Found[]>(`/api/search?q=${encodeURIComponent(asked)}`).then(
        (list) => setFound({ query: asked, list }),
        () => setFound({ query: asked, list: [] }),
      );
    }, 150);
    return () => clearTimeout(timer);
  }, [asked]);
  if (asked.length < 2 || found.query === '') return null;
  return (
    <section aria-label="People found" className="mb-8">
      <h3 className="label mb-2">In your diagrams</h3>
      {found.list.length === 0 && <p className="text-muted">Nobody called “{found.query}” in any diagram.</p>}
      <ul className="grid gap-1 sm:grid-cols-2">
        {found.list.map((one) => (
          <li key={one.diagram + one.entry}>
            <a className="plain w-full" href={`/diagrams/${one.diagram}?entry=${encodeURIComponent(one.entry)}`}>
              <span className="font-semibold">{one.name}</span> <span className="text-muted">in {one.title}</span>
            </a>
          </li>
        ))}
      </ul>
    </section>
  );
}
