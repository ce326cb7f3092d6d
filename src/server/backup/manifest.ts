import Joi from 'joi';
import type { Holdings } from '../../core/reports/backup';
import { check } from '../../core/base/fields';

/** The name of the database inside a backup, and the folder of the photographs. */
export const DB_NAME = 'shop.sqlite';
export const PHOTO_FOLDER = 'photographs';
export const MANIFEST_NAME = 'manifest.json';
/** The hash of the manifest, so that a changed letter in it is noticed too. */
export const MANIFEST_SUM_NAME = 'manifest.sha256';

export interface PackedFile {
  name: string;
  bytes: number;
  sha256: string;
}

/** The contents of a backup: a zip file of the database, the photographs and this. */
export interface Manifest {
  format: 'rimstone-backup';
  version: 1;
  madeAt: string;
  /** The version of the database. */
  schema: number;
  holds: Holdings;
  files: PackedFile[];
}

const MAX_FILES = 1_000_000;
const number = (label: string) =>
  Joi.number()
    .integer()
    .min(0)
    .required()
    .meta({ expected: `Enter ${label}` });
const word = (label: string, pattern: RegExp) =>
  Joi.string()
    .pattern(pattern)
    .required()
    .meta({ expected: `Enter ${label}` });
const time = Joi.string().isoDate().meta({ expected: 'Enter a time' });

const manifestSchema = Joi.object({
  format: Joi.string()
    .valid('rimstone-backup')
    .required()
    .meta({ expected: 'Choose a backup of this program' }),
  version: Joi.number().valid(1).required().meta({ expected: 'Use version 1 of the format' }),
  madeAt: time.required(),
  schema: number('the version of the database'),
  holds: Joi.object({
    shopName: Joi.string().allow('').required().meta({ expected: 'Enter the shop’s name' }),
    ...Object.fromEntries(
      ['machines', 'wheels', 'tires', 'visits', 'jobs', 'entries', 'photographs'].map((k) => [
        k,
        number(`its ${k}`),
      ]),
    ),
    lastAt: time.required().allow(null),
  }).required(),
  files: Joi.array()
    .items(
      Joi.object({
        name: word(
          'a name inside the backup',
          new RegExp(`^(${DB_NAME}|${PHOTO_FOLDER}/[0-9a-f]{64}\\.(jpg|png|webp))$`),
        ),
        bytes: number('its size'),
        sha256: word('its hash', /^[0-9a-f]{64}$/),
      }),
    )
    .min(1)
    .max(MAX_FILES)
    .unique('name')
    .required()
    .meta({ expected: 'List its files' }),
}).required();

/** The manifest of a backup. Throws `InputError` for anything else. */
export const readManifest = (value: unknown): Manifest => check<Manifest>(manifestSchema, value);
