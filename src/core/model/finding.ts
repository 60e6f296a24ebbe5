/** What a reader or a check found; `C`: the codes there can be. `line` and `column` count from 1; `entries` are ids of the diagram. */
export interface Finding<C extends string = string> {
  readonly code: C;
  readonly severity: 'error' | 'warning' | 'note';
  readonly message: string;
  readonly line: number | null;
  readonly column: number | null;
  readonly entries: readonly string[];
}

export function finding<C extends string>(
  code: C,
  severity: Finding['severity'],
  message: string,
  where: Partial<Pick<Finding, 'line' | 'column' | 'entries'>> = {},
): Finding<C> {
  return {
    code,
    severity,
    message,
    line: where.line ?? null,
    column: where.column ?? null,
    entries: where.entries ?? [],
  };
}
