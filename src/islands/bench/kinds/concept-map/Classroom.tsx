import type { ConceptMap } from '../../../../core/kinds/concept-map';
import { own } from '../../../../core/model';
import { useBench, useParts } from '../../context';
import { HandOutLinks, type HandOutLink } from '../../panels/HandOutLinks';

const ways: readonly HandOutLink[] = [
  { name: 'Fill in on screen', told: 'The gaps with the word bank, checked when done', go: 'Fill in', to: 'fill' },
  {
    name: 'On paper',
    told: 'The map with gaps, the word bank below',
    go: 'Print',
    to: 'print?sheet=blank',
    apart: true,
  },
  {
    name: 'Answers on paper',
    told: 'Every word where it belongs',
    go: 'Print',
    to: 'print?sheet=answers',
    apart: true,
  },
];

/** The map as an exercise: which words are left blank, to fill in on screen or on paper, and the answers. */
export function Classroom() {
  const { store } = useParts();
  const diagram = useBench((state) => state.diagram as ConceptMap);
  const selection = useBench((state) => state.selection);
  const { entries, links, map } = diagram;
  const blank = Object.keys(map.blanks).filter((id) => own(entries, id) ?? own(links, id));
  const picked = selection.map(({ id }) => id).filter((id) => own(entries, id) ?? own(links, id));
  const phrases = Object.values(links).flatMap(({ id, phrase }) => (phrase.trim() === '' ? [] : [id]));
  const ideas = Object.keys(entries);
  const set = (next: readonly string[]) => {
    const wanted = new Set(next);
    store.getState().perform([
      {
        kind: 'setBlanks',
        blank: next.filter((id) => !own(map.blanks, id)),
        told: blank.filter((id) => !wanted.has(id)),
      },
    ]);
  };
  const third = (ids: readonly string[]) => [...ids].sort().filter((_, i) => i % 3 === 1);
  const arePickedBlank = picked.length > 0 && picked.every((id) => own(map.blanks, id));
  return (
    <section aria-label="For the classroom" className="mt-5">
      <h2 className="label mb-1 font-sans">For the classroom</h2>
      <p className="mb-2 text-sm text-muted">
        {blank.length === 0
          ? 'Choose which words are left blank; they go to the word bank.'
          : `${blank.length} ${blank.length === 1 ? 'word is' : 'words are'} left blank and ${blank.length === 1 ? 'stands' : 'stand'} in the word bank.`}
      </p>
      <div className="mb-2 flex flex-wrap gap-1.5">
        <button className="button" disabled={phrases.length === 0} onClick={() => set(phrases)}>
          All phrases
        </button>
        <button className="button" disabled={phrases.length === 0} onClick={() => set(third(phrases))}>
          Every third phrase
        </button>
        <button className="button" disabled={ideas.length === 0} onClick={() => set(third(ideas))}>
          Every third idea
        </button>
        <button
          className="button"
          disabled={picked.length === 0}
          onClick={() =>
            set(arePickedBlank ? blank.filter((id) => !picked.includes(id)) : [...new Set([...blank, ...picked])])
          }
        >
          {arePickedBlank ? 'Tell the selected' : 'The selected'}
        </button>
        <button className="button" disabled={blank.length === 0} onClick={() => set([])}>
          None
        </button>
      </div>
      <HandOutLinks links={ways} />
    </section>
  );
}
