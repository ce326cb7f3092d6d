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

module.exports = { isTaken };
