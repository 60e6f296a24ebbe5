/** The form that a line's cells belong to, by `form={rowForm(id)}`. */
export const rowForm = (entry: string): string => `line-${entry}`;

/**
 * A form of its own for each line: at every key, browsers look through all fields of the form that is typed in, and through those of the
 * whole page where there is none.
 */
export function RowForm({ entry }: { entry: string }) {
  return <form id={rowForm(entry)} hidden onSubmit={(event) => event.preventDefault()} />;
}
