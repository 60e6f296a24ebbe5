/** How an axis of any chart looks, with text of a size in CSS px. */
export const axis = (fontSize: number) =>
  ({ stroke: 'var(--edge)', tick: { fill: 'var(--muted)', fontSize }, tickLine: false }) as const;
