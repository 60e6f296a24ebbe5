/** What stands after the whole number: nothing, or a point and up to two digits. */
const decimals = Array.from({ length: 100 }, (_, k) => (k === 0 ? '' : String(k / 100).slice(1)));
/** Up to here hundredths are told digit by digit. */
const most = 1e8;

/** A length as it stands in path data: two decimals, which is a hundredth of a pixel. Four times as quick as writing out the number as it is. */
export function short(n: number): string {
  const hundredths = Math.round(n * 100);
  if (!(hundredths < most && hundredths > -most)) return String(hundredths / 100);
  const size = Math.abs(hundredths);
  const whole = (size / 100) | 0;
  return (hundredths < 0 ? '-' : '') + whole + decimals[size - whole * 100]!;
}
