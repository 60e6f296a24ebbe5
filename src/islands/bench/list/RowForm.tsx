/** The form that a line's cells belong to, by `form={rowForm(id)}`. */
export const rowForm = (entry: string): string => `${prefix}${entry}`;
const prefix = 'line-';

/** The entry whose line holds an element, by the form of one of its cells; null outside of lines. */
export function entryOfLine(element: Element): string | null {
  const cell = element.closest('[role="row"]')?.querySelector(`[form^="${prefix}"]`);
  return cell?.getAttribute('form')?.slice(prefix.length) ?? null;
}

/**
 * A form of its own for each line: at every key, browsers look through all fields of the form that is typed in, and through those of the
 * whole page where there is none.
 */
export function RowForm({ entry }: { entry: string }) {
  return <form id={rowForm(entry)} hidden onSubmit={(event) => event.preventDefault()} />;
}
