import { Mark } from '../shared/Mark';

/** The head of a page where a diagram is an exercise: the way back, what is to be done, and the same on paper. */
export function ExerciseHead({ id, title }: { id: string; title: string }) {
  return (
    <header className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-b border-hair px-3 py-1.5">
      <a href={`/diagrams/${id}`} className="flex min-h-6 items-center gap-2 text-muted hover:text-ink">
        <Mark /> Bench
      </a>
      <h1 className="min-w-0 truncate text-lg font-semibold max-md:order-last max-md:w-full">{title}</h1>
      <a className="button ml-auto" href={`/diagrams/${id}/print?sheet=blank`} target="_blank">
        Print to fill in
      </a>
      <a className="button" href={`/diagrams/${id}/print?sheet=answers`} target="_blank">
        Print answers
      </a>
    </header>
  );
}
