/** How far a drawing to scale is from its counts, in words for people and with both measures for those who know them. */
export function scaleWords({
  stress,
  diagError,
  unwanted,
}: {
  readonly stress: number;
  readonly diagError: number;
  readonly unwanted: readonly number[];
}): string {
  const percent = diagError * 100;
  const off =
    percent < 0.1
      ? 'The areas show the counts exactly'
      : `No area is off by more than ${percent < 10 ? percent.toFixed(1) : Math.round(percent)} % of the whole`;
  const empty =
    unwanted.length === 0
      ? ''
      : unwanted.length === 1
        ? ' One region that these shapes cannot do without is empty and hatched.'
        : ` ${unwanted.length} regions that these shapes cannot do without are empty and hatched.`;
  return `${off} (stress ${number(stress)}, diagError ${number(diagError)}).${empty}`;
}

const number = (value: number): string => (value < 0.0005 ? '0' : value.toFixed(3));
