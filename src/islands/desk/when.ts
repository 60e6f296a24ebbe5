/** "today 14:05", "yesterday 09:30", "23 Nov, 14:02", "23 Nov 2025": by the reader's own clock. */
export function when(at: Date, now: Date): string {
  const time = at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  const day = (date: Date) => new Date(date.getFullYear(), date.getMonth(), date.getDate()).getTime();
  const days = Math.round((day(now) - day(at)) / 86_400_000);
  if (days === 0) return `today ${time}`;
  if (days === 1) return `yesterday ${time}`;
  if (at.getFullYear() === now.getFullYear())
    return `${at.toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })}, ${time}`;
  return at.toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
}
