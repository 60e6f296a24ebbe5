/** A length as it stands in path data: two decimals, which is a hundredth of a pixel. */
export const short = (n: number): string => String(Math.round(n * 100) / 100);
