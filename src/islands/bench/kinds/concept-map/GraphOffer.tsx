import { SaveAs } from '../../panels/SaveAs';

const formats = [
  ['graphml', 'GraphML', 'Ideas and propositions as nodes and edges, in XML'],
  ['dot', 'DOT', 'The same in the DOT language, as plain text'],
] as const;

/** A map leaves as a graph too, which other programs for graphs read. */
export function GraphOffer() {
  return (
    <section aria-label="For other programs" className="mt-5">
      <h2 className="label mb-1 font-sans">For other programs</h2>
      {formats.map(([id, name, told]) => (
        <div key={id} className="grid grid-cols-[1fr_auto] items-center gap-3 border-b border-hair py-2">
          <span>
            <strong>{name}</strong>
            <span className="block text-sm text-muted">{told}</span>
          </span>
          <SaveAs format={id} name={name} />
        </div>
      ))}
    </section>
  );
}
