/** What a reader or a check found. `line` and `column` count from 1; `entries` are ids of the diagram. */
export interface Finding {
  readonly code: string;
  readonly severity: 'error' | 'warning' | 'note';
  readonly message: string;
  readonly line: number | null;
  readonly column: number | null;
  readonly entries: readonly string[];
}

export function finding(
  code: string,
  severity: Finding['severity'],
  message: string,
  where: Partial<Pick<Finding, 'line' | 'column' | 'entries'>> = {},
): Finding {
  return {
    code,
    severity,
    message,
    line: where.line ?? null,
    column: where.column ?? null,
    entries: where.entries ?? [],
  };
}
