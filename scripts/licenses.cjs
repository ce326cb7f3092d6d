/** Licenses that ask for no more than to be named. By their SPDX identifiers; which are taken: memory. */
const TAKEN = [
  '0BSD',
  'Apache-2.0',
  'BlueOak-1.0.0',
  'BSD-2-Clause',
  'BSD-3-Clause',
  'CC0-1.0',
  'ISC',
  'MIT',
  'OFL-1.1',
  'Python-2.0',
  'Unlicense',
  'Zlib',
];

/**
 * Whether a package's license is taken: an SPDX expression whose every `AND` is, and of each `OR` one.
 * @type {(license: string) => boolean}
 */
const isTaken = (license) =>
  license
    .replace(/[()]/g, ' ')
    .split(/ AND /)
    .every((part) => part.split(/ OR /).some((one) => TAKEN.includes(one.trim())));

/** Libraries of their own that are loaded beside the program as they are: others can be put in their place. */
const BESIDE = [{ name: /^@img\/sharp-libvips-/, license: 'LGPL-3.0-or-later' }];

/**
 * Whether a package's license is taken, also for what is only loaded beside the program.
 * @type {(name: string, license: string) => boolean}
 */
const isPackageTaken = (name, license) =>
  isTaken(license) || BESIDE.some((b) => b.name.test(name) && b.license === license);

module.exports = { isPackageTaken, isTaken };
