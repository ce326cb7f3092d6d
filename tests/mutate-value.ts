/** A value with one place in it replaced by something else, or one field added or left out. */
export const spoiled = (value: unknown, path: number, by: unknown): unknown => {
  if (typeof value !== 'object' || value === null) return by;
  const keys = Object.keys(value);
  if (keys.length === 0) return by;
  const key = keys[path % keys.length]!;
  const inner = (value as Record<string, unknown>)[key];
  const rest = Math.floor(path / keys.length);
  if (rest % 7 === 6 && !Array.isArray(value)) return { ...value, [`${key}x`]: by };
  const now = spoiled(inner, rest, by);
  return Array.isArray(value)
    ? value.map((v, i) => (String(i) === key ? now : v))
    : { ...value, [key]: now };
};
