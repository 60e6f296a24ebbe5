import { SaveAs } from '../../panels/SaveAs';

/** A family leaves as GEDCOM too, which other programs for families read. */
export function GedcomOffer() {
  return (
    <section aria-label="For other programs" className="mt-5">
      <h2 className="label mb-1 font-sans">For other programs</h2>
      <div className="grid grid-cols-[1fr_auto] items-center gap-3 border-b border-hair py-2">
        <span>
          <strong>GEDCOM</strong>
          <span className="block text-sm text-muted">
            Persons and families in the open format 5.5.1, with all that came with them
          </span>
        </span>
        <SaveAs format="ged" name="GEDCOM" />
      </div>
    </section>
  );
}
