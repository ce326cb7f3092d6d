/** The kind of device of a session's browser, as far as it tells: enough to recognize one's own. */
export const kindOfScreen = (userAgent: string | undefined): string => {
  if (!userAgent) return 'a program';
  if (/tablet|ipad/i.test(userAgent)) return 'a tablet';
  if (/mobi/i.test(userAgent)) return 'a phone';
  // What runs on phones and says no word of being one.
  if (/android/i.test(userAgent)) return 'a tablet';
  return 'a computer';
};
