/** "II" for tier 2: tiers are numbered as people write levels on a chart. */
export function roman(n: number): string {
  const signs: [number, string][] = [
    [1000, 'M'],
    [900, 'CM'],
    [500, 'D'],
    [400, 'CD'],
    [100, 'C'],
    [90, 'XC'],
    [50, 'L'],
    [40, 'XL'],
    [10, 'X'],
    [9, 'IX'],
    [5, 'V'],
    [4, 'IV'],
    [1, 'I'],
  ];
  let rest = n;
  let text = '';
  for (const [value, sign] of signs) {
    while (rest >= value) {
      text += sign;
      rest -= value;
    }
  }
  return text;
}
