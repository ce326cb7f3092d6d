const DAY_MS = 86_400_000;

/** `15:30`, `tomorrow 9:00`, `Fri 9:00`, `3 Dec 9:00`: a moment as somebody in the shop says it. */
export const momentText = (iso: string, nowMs: number): string => {
  const at = new Date(iso);
  const time = `${at.getHours()}:${String(at.getMinutes()).padStart(2, '0')}`;
  const dayOf = (d: Date) => new Date(d.getFullYear(), d.getMonth(), d.getDate()).getTime();
  const days = Math.round((dayOf(at) - dayOf(new Date(nowMs))) / DAY_MS);
  if (days === 0) return time;
  if (days === 1) return `tomorrow ${time}`;
  if (days > 1 && days < 7)
    return `${at.toLocaleDateString('en-GB', { weekday: 'short' })} ${time}`;
  return `${at.toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })} ${time}`;
};
