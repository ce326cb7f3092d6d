/**
 * The moment that a day and a time in the shop's own time zone mean, ISO 8601; null where no time
 * is given, an error with a sentence where they mean none. `what` names it.
 */
export const dueFrom = (
  day: string,
  time: string,
  what = 'Promised for',
): string | null | Error => {
  if (time.trim() === '') return null;
  const at = new Date(`${day}T${time}`);
  return /^\d{4}-\d{2}-\d{2}$/.test(day) && Number.isFinite(at.getTime())
    ? at.toISOString()
    : new Error(`${what}: enter a day and a time such as 3:30 PM.`);
};
