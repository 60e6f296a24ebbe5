import { HandOutLinks, type HandOutLink } from '../../panels/HandOutLinks';

const links: readonly HandOutLink[] = [
  {
    name: 'Sort on screen',
    told: 'The names in a word bank, to be put into empty curves and checked',
    go: 'Sort',
    to: 'sort',
  },
  {
    name: 'On paper',
    told: 'Empty curves with the word bank below',
    go: 'Print',
    to: 'print?sheet=blank',
    apart: true,
  },
  {
    name: 'Answers on paper',
    told: 'Everything where it belongs',
    go: 'Print',
    to: 'print?sheet=answers',
    apart: true,
  },
];

/** The diagram as an exercise: to sort on screen, to fill in on paper, and the answers. */
export const Exercise = () => (
  <section aria-label="For the classroom" className="mt-5">
    <h2 className="label mb-1 font-sans">For the classroom</h2>
    <HandOutLinks links={links} />
  </section>
);
