/** What a session's browser runs on, as far as it says so: enough to know one's own again. */
export const kindOfScreen = (userAgent: string | undefined): string => {
  if (!userAgent) return 'a program';
  if (/tablet|ipad/i.test(userAgent)) return 'a tablet';
  if (/mobi/i.test(userAgent)) return 'a phone';
  // What runs on phones and says no word of being one.
  if (/android/i.test(userAgent)) return 'a tablet';
  return 'a computer';
};
