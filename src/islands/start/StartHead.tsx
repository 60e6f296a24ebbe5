import { Mark } from '../shared/Mark';

/** The way back, the title of what is being made, and on the front page the way in. `told`: the title that the list itself tells. */
export function StartHead({
  front,
  title,
  told,
  onTitle,
}: {
  front: boolean;
  title: string;
  told: string;
  onTitle: (title: string) => void;
}) {
  return (
    <header className="flex h-12 shrink-0 items-center gap-3 border-b border-hair px-4">
      <Mark />
      {front ? (
        <p className="font-serif text-lg font-semibold">Dendrotax</p>
      ) : (
        <a href="/" className="plain text-muted">
          Desk
        </a>
      )}
      <span className="h-6 border-l border-hair" />
      <label className="flex-1">
        <span className="sr-only">Title of the diagram</span>
        <input
          className="w-full max-w-md border border-transparent bg-transparent px-1.5 py-0.5 font-serif text-lg font-semibold placeholder:text-ink hover:border-edge"
          placeholder={told || 'Untitled'}
          maxLength={200}
          value={title}
          onChange={(event) => onTitle(event.target.value)}
        />
      </label>
      {front && (
        <a className="button" href="/sign-in">
          Sign in
        </a>
      )}
    </header>
  );
}
