import type { IncomingPart } from '../shared/incoming';

/** Which of several sheets or files is the list: asked where they came in together, changed at any time. */
export function WhichPart({
  parts,
  chosen,
  onChoose,
}: {
  parts: readonly IncomingPart[];
  chosen: number;
  onChoose: (index: number) => void;
}) {
  if (parts.length < 2) return null;
  return (
    <div
      role="group"
      aria-label="Which of them is the list"
      className="flex max-h-28 flex-wrap items-center gap-2 overflow-auto"
    >
      <span>{parts.length} lists came in. Read is</span>
      {parts.map(({ name }, i) => (
        <button
          key={`${i} ${name}`}
          aria-pressed={i === chosen}
          className={`max-w-60 truncate border bg-paper px-2 py-0.5 ${i === chosen ? 'border-moss font-semibold outline-1 outline-moss' : 'border-edge hover:border-moss'}`}
          title={name}
          onClick={() => onChoose(i)}
        >
          {name}
        </button>
      ))}
    </div>
  );
}
