const DAY_MS = 86_400_000;

/** `3 PM`: a full hour on an axis. */
export const hourText = (at: Date): string =>
  `${at.getHours() % 12 || 12} ${at.getHours() < 12 ? 'AM' : 'PM'}`;

/** `3:30 PM` by the device's clock. */
export const timeText = (at: Date): string =>
  `${at.getHours() % 12 || 12}:${String(at.getMinutes()).padStart(2, '0')} ${at.getHours() < 12 ? 'AM' : 'PM'}`;

/**
 * `3:30 PM` today, `tomorrow 9:00 AM`, `yesterday 8:42 AM`, `Fri 9:00 AM` within a week, `Dec 3
 * 9:00 AM`.
 */
export const momentText = (iso: string, nowMs: number): string => {
  const at = new Date(iso);
  const now = new Date(nowMs);
  const time = timeText(at);
  const dayOf = (d: Date) => new Date(d.getFullYear(), d.getMonth(), d.getDate()).getTime();
  const days = Math.round((dayOf(at) - dayOf(now)) / DAY_MS);
  if (days === 0) return time;
  if (days === 1) return `tomorrow ${time}`;
  if (days === -1) return `yesterday ${time}`;
  if (days > 1 && days < 7)
    return `${at.toLocaleDateString('en-US', { weekday: 'short' })} ${time}`;
  const isThisYear = at.getFullYear() === now.getFullYear();
  const day = at.toLocaleDateString('en-US', {
    day: 'numeric',
    month: 'short',
    ...(isThisYear ? {} : { year: 'numeric' }),
  });
  return `${day} ${time}`;
};
