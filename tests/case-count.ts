/**
 * How many cases a test of chance or of an oracle goes through: so many in the suite, more in the
 * long run (`npm run test:long`), where no one waits for it.
 */
export const howMany = <T>(inSuite: T, inLongRun: T): T =>
  process.env.RIMSTONE_LONG ? inLongRun : inSuite;
